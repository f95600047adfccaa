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
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;

/** Looks at the nightly copies that the launcher makes, and at the disk they lie on. */
@Service
class UpkeepService {

  private static final Duration OLD = Duration.ofHours(36);
  private static final long LITTLE_BYTES = 1L << 30;

  /** What the launcher has running beside the application and the database, and what of it. */
  private static final Map<String, String> WATCHED =
      Map.of(
          "keeper", "nothing starts the application or the database again when they end",
          "copier", "no nightly copies are made");

  private final String folder;
  private final String state;
  private final Clock clock;
  private final Stamps stamps;

  /**
   * @param folder of the copies; empty where none are made
   * @param state where the launcher's processes say which they are; empty where there are none
   */
  UpkeepService(
      @Value("${jolly.copies}") String folder,
      @Value("${jolly.state}") String state,
      Clock clock,
      Stamps stamps) {
    this.folder = folder;
    this.state = state;
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
    if (!state.isEmpty()) {
      WATCHED.forEach(
          (name, without) -> {
            if (!runs(Path.of(state, name + ".pid"))) {
              warnings.add("The %s does not run: %s.".formatted(name, without));
            }
          });
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

  private static boolean runs(Path pid) {
    try {
      return ProcessHandle.of(Long.parseLong(Files.readString(pid).strip()))
          .filter(ProcessHandle::isAlive)
          .isPresent();
    } catch (IOException | NumberFormatException e) {
      return false;
    }
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
