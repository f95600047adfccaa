package org.jollychain.server.platform;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.lang.reflect.RecordComponent;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.fault.WhatIf;
import org.jollychain.core.plan.PathTests;
import org.jollychain.core.plan.Plan;
import org.jollychain.core.sheet.MadeWhen;
import org.jollychain.core.sheet.Sheet;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.ResolvableType;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.ser.std.ToStringSerializer;

/** Clock, JSON and the published shape of the API. */
@Configuration
class Platform {

  static {
    SpringDocUtils.getConfig().replaceWithClass(MadeWhen.class, String.class);
    SpringDocUtils.getConfig().replaceWithSchema(JsonNode.class, new Schema<>());
  }

  @Bean
  Clock clock() {
    return Clock.systemUTC();
  }

  @Bean
  JsonMapperBuilderCustomizer coreAsJson() {
    SimpleModule core = new SimpleModule("core");
    core.addSerializer(MadeWhen.class, new ToStringSerializer(MadeWhen.class));
    return builder -> builder.addModule(core);
  }

  @Bean
  OpenAPI api() {
    return new OpenAPI()
        .info(
            new Info()
                .title("Jolly Chain")
                .version("1")
                .description("Times are ISO 8601 in UTC; quantities are SI."))
        .servers(List.of(new Server().url("/")));
  }

  /** What a record has is always there, unless it is optional or declared nullable. */
  @Bean
  OpenApiCustomizer requiredProperties() {
    Set<String> optional = new HashSet<>();
    addOptional(Assessment.class, optional);
    addOptional(Sheet.class, optional);
    addOptional(WhatIf.Answer.class, optional);
    addOptional(Plan.class, optional);
    addOptional(PathTests.class, optional);
    // the same, unwrapped in an assessed case
    optional.add("Assessed.account");
    return api ->
        api.getComponents().getSchemas().forEach((name, schema) -> require(name, schema, optional));
  }

  /**
   * Adds {@code Record.component} for every optional component of a record and of those it is made
   * of.
   */
  private static void addOptional(Class<?> record, Set<String> optional) {
    for (RecordComponent component : record.getRecordComponents()) {
      if (component.getType() == Optional.class) {
        optional.add(record.getSimpleName() + "." + component.getName());
      }
      ResolvableType type = ResolvableType.forType(component.getGenericType());
      List<ResolvableType> inside = new ArrayList<>(List.of(type.getGenerics()));
      inside.add(type);
      for (ResolvableType made : inside) {
        if (made.resolve(Object.class).isRecord()) {
          addOptional(made.resolve(Object.class), optional);
        }
      }
    }
  }

  @SuppressWarnings({"rawtypes", "unchecked"})
  private static void require(String record, Schema schema, Set<String> optional) {
    Map<String, Schema> properties = schema.getProperties();
    if (properties != null) {
      List<String> required = new ArrayList<>();
      properties.forEach(
          (name, property) -> {
            boolean nullable = property.getTypes() != null && property.getTypes().contains("null");
            if (!nullable && !optional.contains(record + "." + name)) {
              required.add(name);
            }
          });
      schema.setRequired(required);
    }
  }
}
