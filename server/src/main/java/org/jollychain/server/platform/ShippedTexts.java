package org.jollychain.server.platform;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.function.BiConsumer;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;

/** The documents that ship with the application. */
public final class ShippedTexts {

  private ShippedTexts() {}

  /**
   * @param folder on the class path
   * @param each is given key and text of every document in it
   */
  public static void in(String folder, BiConsumer<String, String> each) throws IOException {
    for (Resource resource :
        new PathMatchingResourcePatternResolver()
            .getResources("classpath:%s/*.yaml".formatted(folder))) {
      each.accept(
          resource.getFilename().replace(".yaml", ""),
          resource.getContentAsString(StandardCharsets.UTF_8));
    }
  }
}
