package org.jollychain.server.platform;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.AsyncEvent;
import jakarta.servlet.AsyncListener;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.Filter;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.ServletRequest;
import jakarta.servlet.ServletResponse;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.EnumSet;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.Ordered;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;

/**
 * Takes in every body whole before anything else looks at it, of whatever type, bounded in size and
 * in time. What has not arrived yet is waited for without a thread, so that slow senders hold up
 * nobody.
 */
@Configuration
class WholeBody {

  /** A case of 2 000 pieces of evidence with a sheet in it fits well. */
  static final int LARGEST_BYTES = 1024 * 1024;

  private static final int LONGEST_MILLIS = 15_000;
  private static final String BODY = WholeBody.class.getName() + ".body";
  private static final byte[] MARK = {(byte) 0xEF, (byte) 0xBB, (byte) 0xBF};
  private static final String CHUNKED = "Transfer-Encoding";

  @Bean
  FilterRegistrationBean<Filter> wholeBodyFilter() {
    FilterRegistrationBean<Filter> registration = new FilterRegistrationBean<>(WholeBody::takeIn);
    registration.setDispatcherTypes(EnumSet.of(DispatcherType.REQUEST, DispatcherType.ASYNC));
    registration.setOrder(Ordered.HIGHEST_PRECEDENCE);
    return registration;
  }

  private static void takeIn(ServletRequest plain, ServletResponse response, FilterChain chain)
      throws IOException, ServletException {
    HttpServletRequest request = (HttpServletRequest) plain;
    if (request.getAttribute(BODY) instanceof byte[] body) {
      chain.doFilter(new TakenIn(request, body), response);
      return;
    }
    long length = request.getContentLengthLong();
    if (length <= 0 && request.getHeader(CHUNKED) == null) {
      chain.doFilter(request, response);
    } else if (length > LARGEST_BYTES) {
      refuse((HttpServletResponse) response, HttpStatus.CONTENT_TOO_LARGE, tooLarge());
    } else {
      Body body = new Body();
      if (length > 0 && body.readArrived(request.getInputStream(), length)) {
        request.setAttribute(BODY, body.bytes());
        chain.doFilter(new TakenIn(request, body.bytes()), response);
      } else {
        body.waitForRest(request, (HttpServletResponse) response);
      }
    }
  }

  private static String tooLarge() {
    return "A body may be %d kB at most.".formatted(LARGEST_BYTES / 1024);
  }

  /** What follows on the connection is not read, so it ends. */
  private static void refuse(HttpServletResponse response, HttpStatus status, String why)
      throws IOException {
    byte[] problem = PlainProblem.json(status.value(), why);
    response.setStatus(status.value());
    response.setHeader(HttpHeaders.CONNECTION, "close");
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    response.setContentLength(problem.length);
    response.getOutputStream().write(problem);
  }

  /** A body on its way in. */
  private static final class Body implements ReadListener, AsyncListener {
    private final ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    private final byte[] buffer = new byte[8192];
    private ServletInputStream in;
    private AsyncContext context;
    private HttpServletRequest request;
    private HttpServletResponse response;
    private boolean ended;

    /** Without a byte order mark, which some programs put before a text. */
    byte[] bytes() {
      byte[] all = bytes.toByteArray();
      boolean marked = all.length >= 3 && Arrays.equals(all, 0, 3, MARK, 0, 3);
      return marked ? Arrays.copyOfRange(all, 3, all.length) : all;
    }

    /** Whether all of it had arrived with the head of the request, as small ones do. */
    boolean readArrived(ServletInputStream stream, long length) throws IOException {
      int arrived;
      while (bytes.size() < length && (arrived = stream.available()) > 0) {
        int n = stream.read(buffer, 0, Math.min(arrived, buffer.length));
        if (n < 0) {
          break;
        }
        bytes.write(buffer, 0, n);
      }
      return bytes.size() >= length;
    }

    void waitForRest(HttpServletRequest of, HttpServletResponse answer) throws IOException {
      request = of;
      response = answer;
      in = of.getInputStream();
      context = of.startAsync(of, answer);
      context.setTimeout(LONGEST_MILLIS);
      context.addListener(this);
      in.setReadListener(this);
    }

    @Override
    public void onDataAvailable() throws IOException {
      while (!ended && in.isReady()) {
        int n = in.read(buffer);
        if (n < 0) {
          return;
        }
        bytes.write(buffer, 0, n);
        if (bytes.size() > LARGEST_BYTES) {
          end(HttpStatus.CONTENT_TOO_LARGE, tooLarge());
        }
      }
    }

    @Override
    public void onAllDataRead() {
      if (!ended) {
        ended = true;
        request.setAttribute(BODY, bytes());
        context.dispatch();
      }
    }

    /** Nothing came for a while, or nobody is there any more. */
    @Override
    public void onError(Throwable e) {
      try {
        late();
      } catch (IOException gone) {
        context.complete();
      }
    }

    @Override
    public void onTimeout(AsyncEvent event) throws IOException {
      late();
    }

    private void late() throws IOException {
      end(HttpStatus.REQUEST_TIMEOUT, "The body did not arrive in time; send it again.");
    }

    private void end(HttpStatus status, String why) throws IOException {
      if (!ended) {
        ended = true;
        refuse(response, status, why);
        context.complete();
      }
    }

    @Override
    public void onError(AsyncEvent event) {
      onError(event.getThrowable());
    }

    @Override
    public void onComplete(AsyncEvent event) {
      // nothing is held
    }

    @Override
    public void onStartAsync(AsyncEvent event) {
      // what the application does later with the request has its own listeners
    }
  }

  /** A request whose body is here; to whatever follows it is new, though it had to wait. */
  private static final class TakenIn extends HttpServletRequestWrapper {
    private static final String SEEN = BODY + ".seen";
    private final byte[] body;
    private final boolean again;

    TakenIn(HttpServletRequest request, byte[] body) {
      super(request);
      this.body = body;
      this.again = request.getAttribute(SEEN) != null;
      request.setAttribute(SEEN, true);
    }

    @Override
    public DispatcherType getDispatcherType() {
      return again ? super.getDispatcherType() : DispatcherType.REQUEST;
    }

    @Override
    public ServletInputStream getInputStream() {
      ByteArrayInputStream in = new ByteArrayInputStream(body);
      return new ServletInputStream() {
        @Override
        public int read() {
          return in.read();
        }

        @Override
        public int read(byte[] to, int from, int length) {
          return in.read(to, from, length);
        }

        @Override
        public boolean isFinished() {
          return in.available() == 0;
        }

        @Override
        public boolean isReady() {
          return true;
        }

        @Override
        public void setReadListener(ReadListener listener) {
          throw new IllegalStateException("the body is here already");
        }
      };
    }
  }
}
