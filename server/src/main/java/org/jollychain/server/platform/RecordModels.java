package org.jollychain.server.platform;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.media.Schema;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.Iterator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * The published shape of a record, from its components alone: one declared nullable may be left out
 * or null, an optional one may be left out, all others are always there.
 */
@Component
class RecordModels implements ModelConverter {

  @Override
  public @Nullable Schema<?> resolve(
      AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> others) {
    if (!others.hasNext()) {
      return null;
    }
    Schema<?> resolved = others.next().resolve(type, context, others);
    Class<?> record = Json.mapper().constructType(type.getType()).getRawClass();
    if (resolved != null && record.isRecord()) {
      Schema<?> model = resolved.get$ref() == null ? resolved : defined(resolved, context);
      if (model != null && model.getProperties() != null) {
        describe(model, components(record));
      }
    }
    return resolved;
  }

  private static @Nullable Schema<?> defined(Schema<?> reference, ModelConverterContext context) {
    String ref = reference.get$ref();
    return context.getDefinedModels().get(ref.substring(ref.lastIndexOf('/') + 1));
  }

  /** By the name of the property each becomes. */
  private static Map<String, RecordComponent> components(Class<?> record) {
    Map<String, RecordComponent> found = new HashMap<>();
    for (RecordComponent component : record.getRecordComponents()) {
      if (component.getAccessor().isAnnotationPresent(JsonUnwrapped.class)) {
        found.putAll(components(component.getType()));
      } else {
        found.put(component.getName(), component);
      }
    }
    return found;
  }

  @SuppressWarnings("rawtypes")
  private static void describe(Schema<?> model, Map<String, RecordComponent> components) {
    List<String> required = new ArrayList<>();
    for (Map.Entry<String, Schema> property : model.getProperties().entrySet()) {
      RecordComponent component = components.get(property.getKey());
      if (component != null && component.getAnnotatedType().isAnnotationPresent(Nullable.class)) {
        orNull(property.getValue());
      } else if (component == null || component.getType() != Optional.class) {
        required.add(property.getKey());
      }
    }
    model.setRequired(required);
  }

  private static void orNull(Schema<?> property) {
    if (property.getTypes() != null) {
      Set<String> types = new LinkedHashSet<>(property.getTypes());
      types.add("null");
      property.setTypes(types);
    }
  }
}
