package org.jollychain.server.account;

import jakarta.servlet.http.HttpServletRequest;
import java.net.InetAddress;
import java.net.UnknownHostException;
import org.jollychain.server.platform.Listening;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Whether this machine's own user may come in without a password: in the demo, whose data is
 * invented, and in a library that has no lead yet. Never where a network is served.
 */
@Component
class OpenDoor {

  private final boolean demo;
  private final Listening listening;
  private final PersonMapper people;
  private volatile boolean owned;

  OpenDoor(@Value("${jolly.demo}") boolean demo, Listening listening, PersonMapper people) {
    this.demo = demo;
    this.listening = listening;
    this.people = people;
  }

  boolean demo(HttpServletRequest request) {
    return demo && onThisMachine(request);
  }

  boolean withoutLead(HttpServletRequest request) {
    return !demo && onThisMachine(request) && !owned();
  }

  private boolean owned() {
    if (!owned) {
      owned = people.any();
    }
    return owned;
  }

  private boolean onThisMachine(HttpServletRequest request) {
    try {
      // an address in figures; nothing is looked up
      return !listening.served()
          && InetAddress.getByName(request.getRemoteAddr()).isLoopbackAddress();
    } catch (UnknownHostException e) {
      return false;
    }
  }
}
