package org.jollychain.server.platform;

import java.net.InetAddress;
import java.net.UnknownHostException;
import org.apache.catalina.core.StandardHost;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.Ssl;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.core.Ordered;
import org.springframework.stereotype.Component;

/**
 * Listens on this machine alone unless a network is to be served, and then by TLS only, or behind a
 * proxy that has it. Has the container keep to the house's rules: bounded connections, and the same
 * headers on its own answers.
 */
@Component
public class Listening
    implements WebServerFactoryCustomizer<TomcatServletWebServerFactory>, Ordered {

  private static final byte[] LOOPBACK = {127, 0, 0, 1};

  private final String address;
  private final String proxy;

  /**
   * @param address of the network that is served, in figures; empty for this machine alone
   * @param proxy address of a proxy that has TLS; only its word is taken for whom it asks for
   */
  Listening(@Value("${jolly.listen}") String address, @Value("${jolly.proxy}") String proxy) {
    this.address = address;
    this.proxy = proxy;
  }

  /** Whether others than this machine's own user may get here. */
  public boolean served() {
    return !address.isEmpty() || !proxy.isEmpty();
  }

  @Override
  public void customize(TomcatServletWebServerFactory factory) {
    if (!address.isEmpty() && proxy.isEmpty() && !Ssl.isEnabled(factory.getSsl())) {
      throw new IllegalStateException(
          "To listen on %s needs TLS: a certificate, or a proxy that has one.".formatted(address));
    }
    try {
      factory.setAddress(
          address.isEmpty() ? InetAddress.getByAddress(LOOPBACK) : InetAddress.getByName(address));
    } catch (UnknownHostException e) {
      throw new IllegalStateException("\"%s\" is no address to listen on".formatted(address), e);
    }
    factory.setProtocol(BoundedConnections.class.getName());
    factory.addEngineValves(new HeadersOnAll());
    if (!proxy.isEmpty()) {
      factory.addEngineValves(new BehindProxy(proxy));
    }
    factory.addContextCustomizers(
        context ->
            ((StandardHost) context.getParent())
                .setErrorReportValveClass(ContainerErrors.class.getName()));
  }

  @Override
  public String toString() {
    String where = address.isEmpty() ? "this machine alone" : address;
    return proxy.isEmpty()
        ? where + (served() ? " by TLS" : "")
        : "%s, for the proxy at %s".formatted(where, proxy);
  }

  /** After what reads the environment. */
  @Override
  public int getOrder() {
    return Ordered.LOWEST_PRECEDENCE;
  }
}
