package org.jollychain.server.platform;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.Duration;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.util.DigestUtils;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** The pages: names with a hash in them never change, the first page is asked for anew. */
@Configuration
class Pages implements WebMvcConfigurer {

  @Override
  public void addResourceHandlers(ResourceHandlerRegistry registry) {
    registry
        .addResourceHandler("/assets/**")
        .addResourceLocations("classpath:/static/assets/")
        .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable());
    registry
        .addResourceHandler("/index.html", "/icon.svg", "/theme.js", "/sw.js", "/files.json")
        .addResourceLocations("classpath:/static/")
        .setCacheControl(CacheControl.noCache())
        // every file of a build bears the same date, so the date cannot tell an older one
        .setUseLastModified(false)
        .setEtagGenerator(Pages::ofContent);
  }

  private static String ofContent(Resource page) {
    try (InputStream in = page.getInputStream()) {
      return "\"" + DigestUtils.md5DigestAsHex(in) + "\"";
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  @Override
  public void addViewControllers(ViewControllerRegistry registry) {
    registry.addViewController("/").setViewName("forward:/index.html");
  }
}
