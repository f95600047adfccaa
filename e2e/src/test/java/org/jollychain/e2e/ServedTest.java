package org.jollychain.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.InetAddress;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.KeyStore;
import java.security.cert.CertificateFactory;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import javax.net.ssl.SSLContext;
import javax.net.ssl.SSLException;
import javax.net.ssl.SSLSocket;
import javax.net.ssl.TrustManagerFactory;
import org.junit.jupiter.api.Test;

/** A shop's own machine: its first lead, its nightly copy, and its network by TLS or not at all. */
class ServedTest {

  private static final String LEAD =
      "{\"login\": \"hild\", \"name\": \"Hild\", \"role\": \"lead\", \"password\": \"four brass tongs\"}";

  private static HttpResponse<String> post(HttpClient http, String address, String body)
      throws Exception {
    return http.send(
        HttpRequest.newBuilder(URI.create(address))
            .header("Content-Type", "application/json")
            .POST(HttpRequest.BodyPublishers.ofString(body))
            .build(),
        HttpResponse.BodyHandlers.ofString());
  }

  private static HttpResponse<String> get(HttpClient http, String address) throws Exception {
    return http.send(
        HttpRequest.newBuilder(URI.create(address)).build(), HttpResponse.BodyHandlers.ofString());
  }

  @Test
  void a_network_is_served_by_tls_alone_and_a_copy_is_made_at_night() throws Exception {
    HttpClient http = HttpClient.newHttpClient();
    try (Launcher jolly = new Launcher()) {
      String local = jolly.address("start");
      assertThat(get(http, local + "api/jobs").statusCode()).isEqualTo(200);
      assertThat(post(http, local + "api/session/first", LEAD).statusCode()).isEqualTo(200);
      assertThat(post(http, local + "api/session/first", LEAD).statusCode()).isEqualTo(403);
      // somebody leads it: programs of this machine need a token like others
      assertThat(get(http, local + "api/jobs").statusCode()).isEqualTo(401);

      Path copy = copyIn(Path.of(jolly.file("copies")));
      // a whole copy of this version, by its sums; it is not put over what is there
      assertThat(jolly.says("restore", copy.toString())).contains("it runs; ./jolly stop first");

      String listen = "127.0.0.1";
      assertThat(jolly.says("start", "--listen", listen)).contains("needs a certificate");
      assertThat(get(http, local + "api/session").statusCode()).isEqualTo(200);
      String key = jolly.file("key.pem");
      String certificate = jolly.file("certificate.pem");
      Launcher.run(
          "openssl",
          "req",
          "-x509",
          "-newkey",
          "rsa:2048",
          "-nodes",
          "-keyout",
          key,
          "-out",
          certificate,
          "-days",
          "2",
          "-subj",
          "/CN=shop.example",
          "-addext",
          "subjectAltName=IP:127.0.0.1");
      assertThat(jolly.says("certificate", certificate, certificate))
          .contains("do not go together");
      assertThat(jolly.says("certificate", certificate, key)).contains("Taken in, valid until");
      String said = jolly.says("start", "--listen", listen, "--host", "127.0.0.1");
      assertThat(said).contains("https://127.0.0.1:");
      String address = said.substring(said.indexOf("https://"), said.indexOf('\n')).strip();

      HttpClient safe = HttpClient.newBuilder().sslContext(trusting(Path.of(certificate))).build();
      assertThat(get(safe, address + "api/jobs").statusCode()).isEqualTo(401);
      HttpResponse<String> in =
          post(
              safe,
              address + "api/session",
              "{\"login\": \"hild\", \"password\": \"four brass tongs\"}");
      assertThat(in.statusCode()).isEqualTo(200);
      assertThat(in.headers().allValues("Set-Cookie"))
          .filteredOn(c -> c.startsWith("JOLLY="))
          .singleElement()
          .asString()
          .contains("Secure")
          .contains("HttpOnly");
      assertThat(in.headers().firstValue("Strict-Transport-Security")).isPresent();

      // suites of today alone: no RSA key exchange, no CBC, nothing older than TLS 1.2
      URI tls = URI.create(address);
      for (String old :
          List.of("TLS_RSA_WITH_AES_128_GCM_SHA256", "TLS_ECDHE_RSA_WITH_AES_128_CBC_SHA256")) {
        assertThatThrownBy(() -> shake(safe, tls, "TLSv1.2", old)).isInstanceOf(SSLException.class);
      }
      shake(safe, tls, "TLSv1.2", "TLS_ECDHE_RSA_WITH_AES_256_GCM_SHA384");
      shake(safe, tls, "TLSv1.3", "TLS_AES_128_GCM_SHA256");

      // behind a proxy only that is answered, and what comes by it came by TLS
      String behind = jolly.says("start", "--behind", "127.0.0.2", "--host", "shop.example");
      assertThat(behind).contains("for the proxy at 127.0.0.2");
      URI there = URI.create(behind.replaceAll("(?s).*(http://\\S+/) for.*", "$1"));
      assertThat(get(http, there + "api/session").statusCode()).isEqualTo(403);
      assertThat(get(http, there + "api/ready").statusCode()).isEqualTo(200);
      String signIn = "{\"login\": \"hild\", \"password\": \"four brass tongs\"}";
      String answer =
          from(
              "127.0.0.2",
              there,
              """
              POST /api/session HTTP/1.1
              Host: shop.example
              Origin: https://shop.example
              Sec-Fetch-Site: same-origin
              X-Forwarded-For: 192.0.2.9
              X-Forwarded-Proto: https
              Content-Type: application/json
              Connection: close
              Content-Length: %d

              %s"""
                  .formatted(signIn.length(), signIn)
                  .replace("\n", "\r\n"));
      assertThat(answer).startsWith("HTTP/1.1 200");
      assertThat(answer.lines())
          .filteredOn(l -> l.startsWith("Set-Cookie: JOLLY="))
          .singleElement()
          .asString()
          .contains("Secure");
    }
  }

  private static void shake(HttpClient client, URI to, String protocol, String suite)
      throws IOException {
    try (SSLSocket socket =
        (SSLSocket)
            client.sslContext().getSocketFactory().createSocket(to.getHost(), to.getPort())) {
      socket.setEnabledProtocols(new String[] {protocol});
      socket.setEnabledCipherSuites(new String[] {suite});
      socket.startHandshake();
    }
  }

  /** What is answered to a request that comes from an address of this machine. */
  private static String from(String address, URI to, String request) throws Exception {
    try (Socket socket =
        new Socket(to.getHost(), to.getPort(), InetAddress.getByName(address), 0)) {
      socket.getOutputStream().write(request.getBytes(StandardCharsets.UTF_8));
      return new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    }
  }

  private static SSLContext trusting(Path certificate) throws Exception {
    KeyStore trusted = KeyStore.getInstance(KeyStore.getDefaultType());
    trusted.load(null);
    try (var in = Files.newInputStream(certificate)) {
      trusted.setCertificateEntry(
          "jolly", CertificateFactory.getInstance("X.509").generateCertificate(in));
    }
    TrustManagerFactory managers =
        TrustManagerFactory.getInstance(TrustManagerFactory.getDefaultAlgorithm());
    managers.init(trusted);
    SSLContext context = SSLContext.getInstance("TLS");
    context.init(null, managers.getTrustManagers(), null);
    return context;
  }

  private static Path copyIn(Path folder) throws Exception {
    Instant end = Instant.now().plus(Duration.ofMinutes(5));
    while (Instant.now().isBefore(end)) {
      try (Stream<Path> files = Files.list(folder)) {
        List<Path> copies = files.filter(f -> f.toString().endsWith(".backup")).toList();
        if (!copies.isEmpty()) {
          return copies.get(0);
        }
      }
      TimeUnit.MILLISECONDS.sleep(100);
    }
    throw new AssertionError("no copy in " + folder);
  }
}
