package org.jollychain.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(
    packages = "org.jollychain.server",
    importOptions = ImportOption.DoNotIncludeTests.class)
class RoomsTest {

  @ArchTest
  static final ArchRule a_mapper_is_used_in_its_own_room_only =
      classes().that().haveSimpleNameEndingWith("Mapper").should().bePackagePrivate();

  @ArchTest
  static final ArchRule rooms_do_not_go_in_circles =
      slices().matching("org.jollychain.server.(*)..").should().beFreeOfCycles();

  @ArchTest
  static final ArchRule controllers_ask_services_not_mappers =
      noClasses()
          .that()
          .haveSimpleNameEndingWith("Controller")
          .should()
          .dependOnClassesThat()
          .haveSimpleNameEndingWith("Mapper");
}
