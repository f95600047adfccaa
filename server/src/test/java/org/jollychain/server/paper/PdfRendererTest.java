package org.jollychain.server.paper;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

class PdfRendererTest {

  private final PdfRenderer paper = new PdfRenderer(new Templates());

  private static String printed(byte[] pdf) throws IOException {
    try (PDDocument document = Loader.loadPDF(pdf)) {
      return new PDFTextStripper().getText(document);
    }
  }

  /** A glyph the embedded font lacks would print as a hash. */
  @Test
  void prints_the_signs_of_the_trade() throws IOException {
    String signs = "0.2 Ω ± 5 % · 121 °C › “limit” – L1’s";
    byte[] pdf =
        paper.pdf("test-page.xhtml", Map.of("title", "Signs", "lines", List.of(signs)), "");
    assertThat(printed(pdf).lines().filter(l -> l.contains("0.2 Ω ± 5 % · 121 °C ›"))).hasSize(2);
    assertThat(printed(pdf)).doesNotContain("#");
  }

  @Test
  void takes_any_text_for_text() throws IOException {
    String sly = "\u0001\uffff</p><script>1</script> & <img src=\"file:/etc/hostname\"/>";
    assertThat(
            printed(paper.pdf("test-page.xhtml", Map.of("title", sly, "lines", List.of(sly)), "")))
        .contains(sly.substring(2));
  }

  @Test
  void is_a4_with_its_own_title_page_numbers_and_every_font_embedded() throws IOException {
    Map<String, Object> long_ =
        Map.of("title", "HUT-4, route card", "lines", Collections.nCopies(120, "line"));
    try (PDDocument document = Loader.loadPDF(paper.pdf("test-page.xhtml", long_, ""))) {
      assertThat(document.getDocumentInformation().getTitle()).isEqualTo("HUT-4, route card");
      int pages = document.getNumberOfPages();
      assertThat(pages).isGreaterThan(1);
      assertThat(new PDFTextStripper().getText(document))
          .contains("1 of " + pages, pages + " of " + pages, "licensed practice");
      PDRectangle size = document.getPage(0).getMediaBox();
      assertThat(Math.round(size.getWidth())).isEqualTo(Math.round(PDRectangle.A4.getWidth()));
      PDResources resources = document.getPage(0).getResources();
      for (COSName name :
          StreamSupport.stream(resources.getFontNames().spliterator(), false).toList()) {
        assertThat(resources.getFont(name).isEmbedded()).as("%s", name).isTrue();
      }
    }
  }
}
