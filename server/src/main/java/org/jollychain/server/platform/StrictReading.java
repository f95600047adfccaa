package org.jollychain.server.platform;

import java.time.OffsetDateTime;
import java.time.format.DateTimeParseException;
import java.util.Optional;
import org.jollychain.core.quantity.PlainText;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.springframework.boot.http.converter.autoconfigure.ServerHttpMessageConvertersCustomizer;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.converter.yaml.JacksonYamlHttpMessageConverter;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.cfg.EnumFeature;
import tools.jackson.databind.cfg.MapperBuilder;
import tools.jackson.databind.deser.jdk.StringDeserializer;
import tools.jackson.databind.deser.std.StdScalarDeserializer;
import tools.jackson.databind.exc.MismatchedInputException;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.dataformat.yaml.YAMLFactory;
import tools.jackson.dataformat.yaml.YAMLMapper;

/**
 * How JSON and YAML are read, alike for both: texts by {@link PlainText}, times as ISO 8601, words
 * of a closed set as words, no key twice in an object.
 */
@Configuration
public class StrictReading {

  private static final int EARLIEST_YEAR = 1970;
  private static final int LATEST_YEAR = 2999;

  /** Thrown with what is wrong, in words for people. */
  static final class BadValueException extends MismatchedInputException {
    BadValueException(JsonParser p, Class<?> type, String message) {
      super(p, message, type);
    }
  }

  @Bean
  JsonMapperBuilderCustomizer strictJson() {
    return builder -> {
      builder.enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION);
      make(builder);
    };
  }

  /** A case in YAML; read in one piece, as a sheet is. */
  @Bean
  ServerHttpMessageConvertersCustomizer strictYaml() {
    LoadSettings settings =
        LoadSettings.builder().setBufferSize(WholeBody.LARGEST_BYTES + 2).build();
    YAMLMapper.Builder builder =
        YAMLMapper.builder(YAMLFactory.builder().loadSettings(settings).build())
            .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
            .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES);
    make(builder);
    return converters -> converters.withYamlConverter(new JacksonYamlHttpMessageConverter(builder));
  }

  private static void make(MapperBuilder<?, ?> builder) {
    SimpleModule module = new SimpleModule("strict");
    module.addDeserializer(String.class, new OneLine());
    module.addDeserializer(OffsetDateTime.class, new Time());
    builder.enable(EnumFeature.FAIL_ON_NUMBERS_FOR_ENUMS).addModule(module);
  }

  /** A text of one line; one of blanks alone is empty. */
  private static final class OneLine extends StdScalarDeserializer<String> {
    OneLine() {
      super(String.class);
    }

    @Override
    public String deserialize(JsonParser p, DeserializationContext context) {
      return text(p, context, PlainText.problemInLine(read(p, context)));
    }
  }

  /** A text of several lines, for what says so by annotation. */
  public static final class SeveralLines extends StdScalarDeserializer<String> {
    public SeveralLines() {
      super(String.class);
    }

    @Override
    public String deserialize(JsonParser p, DeserializationContext context) {
      return text(p, context, PlainText.problemInLines(read(p, context)));
    }
  }

  private static String read(JsonParser p, DeserializationContext context) {
    return StringDeserializer.instance.deserialize(p, context);
  }

  private static String text(
      JsonParser p, DeserializationContext context, Optional<String> problem) {
    if (problem.isPresent()) {
      throw new BadValueException(p, String.class, problem.get());
    }
    String text = read(p, context);
    return PlainText.isBlank(text) ? "" : text;
  }

  private static final class Time extends StdScalarDeserializer<OffsetDateTime> {
    Time() {
      super(OffsetDateTime.class);
    }

    @Override
    public OffsetDateTime deserialize(JsonParser p, DeserializationContext context) {
      if (p.currentToken() == JsonToken.VALUE_STRING) {
        try {
          OffsetDateTime time = OffsetDateTime.parse(p.getString().strip());
          if (time.getYear() >= EARLIEST_YEAR && time.getYear() <= LATEST_YEAR) {
            return time;
          }
        } catch (DateTimeParseException e) {
          // told below
        }
      }
      throw new BadValueException(
          p, OffsetDateTime.class, "is no time; write it like 2026-02-03T14:05:00Z");
    }
  }
}
