package org.jollychain.server.platform;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ErrorReportValve;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;

/** What the container refuses before it knows whose the request is, in the form of all problems. */
public final class ContainerErrors extends ErrorReportValve {

  @Override
  protected void report(Request request, Response response, @Nullable Throwable error) {
    int status = response.getStatus();
    if (status < 400 || response.getContentWritten() > 0 || !response.setErrorReported()) {
      return;
    }
    HttpStatus known = HttpStatus.resolve(status);
    String title = known == null ? "Error" : known.getReasonPhrase();
    try {
      response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
      response.setCharacterEncoding(StandardCharsets.UTF_8.name());
      response
          .getReporter()
          .write(
              "{\"type\":\"about:blank\",\"title\":\"%s\",\"status\":%d,\"detail\":\"%s\"}"
                  .formatted(
                      title, status, status < 500 ? ErrorAnswer.UNREADABLE : Problems.UNEXPECTED));
      response.finishResponse();
    } catch (IOException e) {
      // nobody is there any more
    }
  }
}
