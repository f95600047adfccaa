package org.jollychain.server.platform;

import java.net.InetAddress;
import java.net.UnknownHostException;
import org.apache.catalina.core.StandardHost;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.core.Ordered;
import org.springframework.stereotype.Component;

/**
 * Listens on this machine alone, whatever the environment says, and has the container keep to the
 * house's rules: bounded connections, and the same headers on its own answers.
 */
@Component
class Loopback implements WebServerFactoryCustomizer<TomcatServletWebServerFactory>, Ordered {

  private static final byte[] ADDRESS = {127, 0, 0, 1};

  @Override
  public void customize(TomcatServletWebServerFactory factory) {
    try {
      factory.setAddress(InetAddress.getByAddress(ADDRESS));
    } catch (UnknownHostException e) {
      throw new IllegalStateException(e);
    }
    factory.setProtocol(BoundedConnections.class.getName());
    factory.addEngineValves(new HeadersOnAll());
    factory.addContextCustomizers(
        context ->
            ((StandardHost) context.getParent())
                .setErrorReportValveClass(ContainerErrors.class.getName()));
  }

  /** After what reads the environment. */
  @Override
  public int getOrder() {
    return Ordered.LOWEST_PRECEDENCE;
  }
}
