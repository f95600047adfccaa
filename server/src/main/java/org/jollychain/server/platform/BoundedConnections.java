package org.jollychain.server.platform;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.channels.SelectionKey;
import java.nio.channels.SocketChannel;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.apache.coyote.http11.Http11NioProtocol;
import org.apache.tomcat.util.net.NioChannel;
import org.apache.tomcat.util.net.NioEndpoint;
import org.apache.tomcat.util.net.SocketWrapperBase;

/**
 * HTTP with a bound on the connections from one address. Where one address would have more, those
 * of its own that have been waiting longest make way: whoever opens thousands and says nothing
 * shuts out only himself.
 */
public final class BoundedConnections extends Http11NioProtocol {

  private static final int MOST_FROM_ONE_ADDRESS = 1000;

  /** So many make way at once, so that not every further one has to look through all. */
  private static final int MAKE_WAY = 100;

  public BoundedConnections() {
    super(new Endpoint());
  }

  private static final class Endpoint extends NioEndpoint {

    @Override
    protected boolean setSocketOptions(SocketChannel socket) {
      try {
        if (socket.getRemoteAddress() instanceof InetSocketAddress from
            && getConnectionCount() > MOST_FROM_ONE_ADDRESS) {
          makeWay(from.getAddress());
        }
      } catch (IOException e) {
        // it is gone already; what follows finds that out
      }
      return super.setSocketOptions(socket);
    }

    private void makeWay(InetAddress from) {
      String address = from.getHostAddress();
      List<NioSocketWrapper> same = new ArrayList<>();
      for (SocketWrapperBase<NioChannel> connection : getConnections()) {
        if (connection instanceof NioSocketWrapper nio && address.equals(nio.getRemoteAddr())) {
          same.add(nio);
        }
      }
      if (same.size() >= MOST_FROM_ONE_ADDRESS) {
        same.stream()
            // nothing of it is being worked on: it is watched for what it will send
            .filter(c -> c.interestOpsHas(SelectionKey.OP_READ))
            .sorted(Comparator.comparingLong(NioSocketWrapper::getLastRead))
            .limit(MAKE_WAY)
            .forEach(SocketWrapperBase::close);
      }
    }
  }
}
