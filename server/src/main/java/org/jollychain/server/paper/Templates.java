package org.jollychain.server.paper;

import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import org.springframework.stereotype.Component;
import org.thymeleaf.TemplateEngine;
import org.thymeleaf.context.Context;
import org.thymeleaf.templatemode.TemplateMode;
import org.thymeleaf.templateresolver.ClassLoaderTemplateResolver;

/** Fills the templates of what is printed: XHTML and SVG, where any text is text. */
@Component
public class Templates {

  /** XML 1.0, section 2.2. */
  private static final Pattern NO_XML =
      Pattern.compile("[^\\t\\n\\r\\x20-\\x{D7FF}\\x{E000}-\\x{FFFD}\\x{10000}-\\x{10FFFF}]");

  private final TemplateEngine engine = new TemplateEngine();

  public Templates() {
    ClassLoaderTemplateResolver resolver = new ClassLoaderTemplateResolver();
    resolver.setPrefix("paper/");
    resolver.setTemplateMode(TemplateMode.XML);
    engine.setTemplateResolver(resolver);
  }

  /**
   * @param template a file of {@code paper/}
   * @return well-formed XML; what XML cannot hold is left out of the texts
   */
  public String filled(String template, Map<String, Object> values) {
    String page = engine.process(template, new Context(Locale.ROOT, values));
    return NO_XML.matcher(page).replaceAll("");
  }
}
