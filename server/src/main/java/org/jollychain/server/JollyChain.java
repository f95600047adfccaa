package org.jollychain.server;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.scheduling.annotation.EnableAsync;

/** The application: HTTP and PostgreSQL around the core. */
@EnableAsync
@SpringBootApplication
public class JollyChain {

  public static void main(String[] args) {
    SpringApplication.run(JollyChain.class, args);
  }
}
