package org.jollychain.server.account;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Optional;
import org.apache.commons.codec.binary.Base32;
import org.jollychain.server.platform.Stamps;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Codes against RFC 6238, appendix B (SHA-1; the last six of its eight digits). */
class SecondFactorServiceTest {

  private static final String SECRET =
      new Base32().encodeToString("12345678901234567890".getBytes(StandardCharsets.US_ASCII));

  @ParameterizedTest
  @CsvSource({
    "59, 287082, true",
    "1111111109, 081804, true",
    "1111111111, 050471, true",
    "1234567890, 005924, true",
    "2000000000, 279037, true",
    "20000000000, 353130, true",
    // a clock that is a step late or early, with the blank that devices show
    "89, 287 082, true",
    "29, 287082, true",
    "119, 287082, false",
    "59, 287083, false",
    "59, 28708, false"
  })
  void codes_are_those_of_the_standard(long seconds, String code, boolean right) {
    SecondFactorMapper kept = mock(SecondFactorMapper.class);
    when(kept.secret("runa")).thenReturn(Optional.of(SECRET));
    when(kept.use(eq("runa"), anyLong())).thenReturn(1);
    when(kept.useRecovery(any(), any())).thenReturn(0);
    SecondFactorService factors =
        new SecondFactorService(
            kept, mock(Stamps.class), Clock.fixed(Instant.ofEpochSecond(seconds), ZoneOffset.UTC));
    assertThat(factors.accepts("runa", code)).isEqualTo(right);
  }
}
