package org.jollychain.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(
    packages = "org.jollychain.core",
    importOptions = ImportOption.DoNotIncludeTests.class)
class FloorsTest {

  @ArchTest
  static final ArchRule each_floor_stands_only_on_those_below_it =
      layeredArchitecture()
          .consideringOnlyDependenciesInLayers()
          .withOptionalLayers(true)
          .layer("practice")
          .definedBy("..core.practice..")
          .layer("simulation")
          .definedBy("..core.simulation..")
          .layer("plan")
          .definedBy("..core.plan..")
          .layer("diagnosis")
          .definedBy("..core.diagnosis..")
          .layer("fault")
          .definedBy("..core.fault..")
          .layer("evidence")
          .definedBy("..core.evidence..")
          .layer("partcheck")
          .definedBy("..core.partcheck..")
          .layer("network")
          .definedBy("..core.network..")
          .layer("sheet")
          .definedBy("..core.sheet..")
          .layer("quantity")
          .definedBy("..core.quantity..")
          .whereLayer("practice")
          .mayNotBeAccessedByAnyLayer()
          .whereLayer("simulation")
          .mayOnlyBeAccessedByLayers("practice")
          .whereLayer("plan")
          .mayOnlyBeAccessedByLayers("practice", "simulation")
          .whereLayer("diagnosis")
          .mayOnlyBeAccessedByLayers("practice", "simulation", "plan")
          .whereLayer("fault")
          .mayOnlyBeAccessedByLayers("practice", "simulation", "plan", "diagnosis")
          .whereLayer("evidence")
          .mayOnlyBeAccessedByLayers("practice", "simulation", "plan", "diagnosis", "fault")
          .whereLayer("partcheck")
          .mayOnlyBeAccessedByLayers(
              "practice", "simulation", "plan", "diagnosis", "fault", "evidence")
          .whereLayer("network")
          .mayOnlyAccessLayers("sheet", "quantity")
          .whereLayer("sheet")
          .mayOnlyAccessLayers("quantity")
          .whereLayer("quantity")
          .mayNotAccessAnyLayer();

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
}
