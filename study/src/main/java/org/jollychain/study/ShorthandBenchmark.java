package org.jollychain.study;

import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jollychain.core.sheet.Shorthand;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;

/**
 * How soon a typed chain of forty links is read: 60 ms are asked, since it is read as one types.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class ShorthandBenchmark {

  private final String text =
      "Long chain\nsupply 240 V split 60 Hz\nL1%s > element 2kW > L2\nL1 > door > motor 200W > N\n"
          .formatted(
              IntStream.range(0, 19)
                  .mapToObj(i -> " > wire run %d > limit %d 90C 70C".formatted(i, i))
                  .collect(Collectors.joining()));

  @Benchmark
  public Shorthand fortyLinks() {
    return Shorthand.read(text);
  }
}
