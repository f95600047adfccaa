package org.jollychain.server.platform;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ErrorReportValve;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;

/** What the container refuses before it knows whose the request is, in the form of all problems. */
public final class ContainerErrors extends ErrorReportValve {

  @Override
  protected void report(Request request, Response response, @Nullable Throwable error) {
    int status = response.getStatus();
    if (status < 400 || response.getContentWritten() > 0 || !response.setErrorReported()) {
      return;
    }
    String detail = status < 500 ? ErrorAnswer.UNREADABLE : Problems.UNEXPECTED;
    try {
      response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
      response.setCharacterEncoding(StandardCharsets.UTF_8.name());
      response
          .getReporter()
          .write(new String(PlainProblem.json(status, detail), StandardCharsets.UTF_8));
      response.finishResponse();
    } catch (IOException e) {
      // nobody is there any more
    }
  }
}
