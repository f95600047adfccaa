package org.jollychain.server;

import java.util.Locale;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;

/** The application: HTTP and PostgreSQL around the core. */
@SpringBootApplication
public class JollyChain {

  public static void main(String[] args) {
    // what it writes is the same on every machine
    Locale.setDefault(Locale.ROOT);
    SpringApplication.run(JollyChain.class, args);
  }
}
