package org.jollychain.server.platform;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** One line that says what runs where, once it does. */
@Component
class StartLine {

  private static final Logger LOG = LoggerFactory.getLogger(StartLine.class);

  private final Listening listening;
  private final String port;
  private final String database;
  private final boolean demo;

  StartLine(
      Listening listening,
      @Value("${server.port}") String port,
      @Value("${spring.datasource.url}") String database,
      @Value("${jolly.demo}") boolean demo) {
    this.listening = listening;
    this.port = port;
    this.database = database;
    this.demo = demo;
  }

  @EventListener(ApplicationReadyEvent.class)
  void say() {
    LOG.info("ready: {}{}, port {}, data in {}", demo ? "demo, " : "", listening, port, database);
  }
}
