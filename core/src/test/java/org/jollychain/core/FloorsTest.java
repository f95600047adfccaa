package org.jollychain.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.library.Architectures;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;

@AnalyzeClasses(
    packages = "org.jollychain.core",
    importOptions = ImportOption.DoNotIncludeTests.class)
class FloorsTest {

  private static final String ROOT = "org.jollychain.core";

  /** From the ground up; what stands side by side shares a line and does not know each other. */
  private static final List<List<String>> FLOORS =
      List.of(
          List.of("quantity"),
          List.of("text"),
          List.of("sheet"),
          List.of("unit", "drawing", "guide"),
          List.of("network"),
          List.of("export", "partcheck", "evidence"),
          List.of("fault"),
          List.of("sequencing", "inference"),
          List.of("diagnosis"),
          List.of("plan"),
          List.of("visit"),
          List.of("simulation"),
          List.of("practice"));

  @ArchTest
  static void each_floor_stands_only_on_those_below_it(JavaClasses core) {
    Architectures.LayeredArchitecture house =
        layeredArchitecture().consideringOnlyDependenciesInLayers().withOptionalLayers(true);
    Set<String> rooms = new TreeSet<>();
    for (List<String> floor : FLOORS) {
      for (String room : floor) {
        rooms.add(ROOT + "." + room);
        house = house.layer(room).definedBy(ROOT + "." + room);
      }
    }
    List<String> below = new ArrayList<>();
    for (List<String> floor : FLOORS) {
      for (String room : floor) {
        house =
            below.isEmpty()
                ? house.whereLayer(room).mayNotAccessAnyLayer()
                : house.whereLayer(room).mayOnlyAccessLayers(below.toArray(String[]::new));
      }
      below.addAll(floor);
    }
    house.check(core);
    // nothing stands outside the house
    assertThat(core.stream().map(JavaClass::getPackageName)).isSubsetOf(rooms);
  }

  @ArchTest
  static final ArchRule no_room_is_part_of_a_circle =
      slices().matching(ROOT + ".(*)..").should().beFreeOfCycles();

  @ArchTest
  static final ArchRule the_core_knows_no_framework =
      noClasses()
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage(
              "org.springframework..",
              "jakarta..",
              "org.apache.ibatis..",
              "java.sql..",
              "java.net..");

  private static final int MOST_LINES = 400;

  @ArchTest
  static void no_file_is_too_long_to_be_read(JavaClasses core) throws IOException {
    try (Stream<Path> files = Files.walk(Path.of("src/main/java"))) {
      List<Path> sources = files.filter(f -> f.toString().endsWith(".java")).toList();
      assertThat(sources).hasSizeGreaterThan(100);
      for (Path source : sources) {
        assertThat(Files.readAllLines(source))
            .as("%s", source)
            .hasSizeLessThanOrEqualTo(MOST_LINES);
      }
    }
  }
}
