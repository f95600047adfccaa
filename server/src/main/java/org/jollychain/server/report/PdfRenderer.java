package org.jollychain.server.report;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import org.springframework.web.util.HtmlUtils;

/** Prints on A4: XHTML in the house's type, as PDF with its fonts embedded. */
@Component
public class PdfRenderer {

  private static final String SANS = "ibm-plex-sans/%s/IBMPlexSans_%s.ttf";
  private static final String MONO = "ibm-plex-mono/%s/IBMPlexMono_%s.ttf";

  /** XML 1.0, section 2.2. */
  private static final Pattern NO_XML =
      Pattern.compile("[^\\t\\n\\r\\x20-\\x{D7FF}\\x{E000}-\\x{FFFD}\\x{10000}-\\x{10FFFF}]");

  private final String style;

  PdfRenderer() {
    try {
      style = new ClassPathResource("paper/paper.css").getContentAsString(StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * @param title of the document, as plain text
   * @param body well-formed XHTML, every text in it escaped by {@link #text}
   * @return the PDF
   */
  public byte[] pdf(String title, String body) {
    String page =
        "<html><head><title>%s</title><style>%s</style></head><body>%s</body></html>"
            .formatted(text(title), style, body);
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

  /** Plain text as it may stand in XHTML and SVG; what XML cannot hold is left out. */
  public static String text(String plain) {
    return HtmlUtils.htmlEscape(NO_XML.matcher(plain).replaceAll(""), "UTF-8");
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
