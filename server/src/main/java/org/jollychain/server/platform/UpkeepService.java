package org.jollychain.server.platform;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;

/** Looks at the nightly copies that the launcher makes, and at the disk they lie on. */
@Service
class UpkeepService {

  private static final Duration OLD = Duration.ofHours(36);
  private static final long LITTLE_BYTES = 1L << 30;

  private final String folder;
  private final Clock clock;
  private final Stamps stamps;

  /**
   * @param folder of the copies; empty where none are made
   */
  UpkeepService(@Value("${jolly.copies}") String folder, Clock clock, Stamps stamps) {
    this.folder = folder;
    this.clock = clock;
    this.stamps = stamps;
  }

  Upkeep now() throws IOException {
    stamps.now().require(Role.LEAD, "How the data is kept");
    Path copies = Path.of(folder.isEmpty() ? "." : folder);
    List<Instant> made = folder.isEmpty() ? List.of() : made(copies);
    Optional<Instant> last = made.stream().max(Instant::compareTo);
    long free = Files.getFileStore(copies).getUsableSpace();
    List<String> warnings = new ArrayList<>();
    if (folder.isEmpty()) {
      warnings.add("No nightly copies are made here.");
    } else if (last.isEmpty() || last.get().plus(OLD).isBefore(Instant.now(clock))) {
      warnings.add("The last nightly copy is older than a day and a half; look into the log.");
    }
    if (free < LITTLE_BYTES) {
      warnings.add("Less than 1 GB is left on the disk.");
    }
    return new Upkeep(
        made.size(),
        last.map(at -> OffsetDateTime.ofInstant(at, ZoneOffset.UTC)).orElse(null),
        free,
        warnings);
  }

  private static List<Instant> made(Path folder) throws IOException {
    try (Stream<Path> files = Files.list(folder)) {
      List<Instant> made = new ArrayList<>();
      for (Path file :
          files.filter(f -> f.getFileName().toString().matches("nightly-.*\\.backup")).toList()) {
        made.add(Files.getLastModifiedTime(file).toInstant());
      }
      return made;
    }
  }
}
