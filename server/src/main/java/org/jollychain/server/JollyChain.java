package org.jollychain.server;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;

/** The application: HTTP and PostgreSQL around the core. */
@SpringBootApplication
public class JollyChain {

  public static void main(String[] args) {
    SpringApplication.run(JollyChain.class, args);
  }
}
