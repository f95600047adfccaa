package org.jollychain.server.platform;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.time.Clock;
import java.util.List;
import org.jollychain.core.sheet.MadeWhen;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
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
}
