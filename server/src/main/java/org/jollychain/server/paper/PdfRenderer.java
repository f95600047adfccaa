package org.jollychain.server.paper;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;

/** Prints on A4: pages of XHTML in the house's type, as PDF with its fonts embedded. */
@Component
public class PdfRenderer {

  private static final String SANS = "ibm-plex-sans/%s/IBMPlexSans_%s.ttf";
  private static final String MONO = "ibm-plex-mono/%s/IBMPlexMono_%s.ttf";

  private final Templates templates;
  private final String style;

  PdfRenderer(Templates templates) {
    this.templates = templates;
    try {
      style = new ClassPathResource("paper/paper.css").getContentAsString(StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * @param template a file of {@code paper/} that is a page of XHTML
   * @param values of the template, which has the house's style beside them
   * @param rules of this page alone, after that style
   * @return the PDF
   */
  public byte[] pdf(String template, Map<String, Object> values, String rules) {
    Map<String, Object> all = new HashMap<>(values);
    all.put("style", style(rules));
    String page = templates.filled(template, all);
    PdfRendererBuilder builder = new PdfRendererBuilder();
    font(builder, "IBM Plex Sans", 400, SANS.formatted("400Regular", "400Regular"));
    font(builder, "IBM Plex Sans", 600, SANS.formatted("600SemiBold", "600SemiBold"));
    font(builder, "IBM Plex Mono", 400, MONO.formatted("400Regular", "400Regular"));
    // nothing is fetched, whatever stands in a text
    builder.useUriResolver((base, uri) -> null);
    builder.withHtmlContent(page, null);
    ByteArrayOutputStream pdf = new ByteArrayOutputStream();
    builder.toStream(pdf);
    try {
      builder.run();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return pdf.toByteArray();
  }

  /** The same as a page for a browser, without its style. */
  public String page(String template, Map<String, Object> values) {
    return "<!DOCTYPE html>\n" + templates.filled(template, values);
  }

  /** The house's style for what is printed, and the rules of one page. */
  public String style(String rules) {
    return style + rules;
  }

  private static void font(PdfRendererBuilder builder, String family, int weight, String file) {
    builder.useFont(() -> open(file), family, weight, FontStyle.NORMAL, true);
  }

  private static InputStream open(String file) {
    try {
      return new ClassPathResource("fonts/" + file).getInputStream();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
