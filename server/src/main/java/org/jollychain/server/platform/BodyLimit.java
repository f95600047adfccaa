package org.jollychain.server.platform;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Refuses bodies over a bound, whether their length was announced or not. */
@Component
class BodyLimit extends OncePerRequestFilter {

  /** A case of 2 000 pieces of evidence with a sheet in it fits well. */
  static final int LARGEST_BYTES = 1024 * 1024;

  /** Thrown while reading a body that is too large. */
  static final class TooLargeException extends IOException {
    TooLargeException() {
      super("A body may be %d kB at most.".formatted(LARGEST_BYTES / 1024));
    }
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    chain.doFilter(new Limited(request), response);
  }

  private static final class Limited extends HttpServletRequestWrapper {
    Limited(HttpServletRequest request) {
      super(request);
    }

    @Override
    public ServletInputStream getInputStream() throws IOException {
      if (getContentLengthLong() > LARGEST_BYTES) {
        throw new TooLargeException();
      }
      return new Counting(super.getInputStream());
    }
  }

  private static final class Counting extends ServletInputStream {
    private final ServletInputStream in;
    private long read;

    Counting(ServletInputStream in) {
      this.in = in;
    }

    @Override
    public int read() throws IOException {
      int b = in.read();
      count(b < 0 ? 0 : 1);
      return b;
    }

    @Override
    public int read(byte[] bytes, int from, int length) throws IOException {
      int n = in.read(bytes, from, length);
      count(Math.max(0, n));
      return n;
    }

    private void count(int n) throws TooLargeException {
      read += n;
      if (read > LARGEST_BYTES) {
        throw new TooLargeException();
      }
    }

    @Override
    public boolean isFinished() {
      return in.isFinished();
    }

    @Override
    public boolean isReady() {
      return in.isReady();
    }

    @Override
    public void setReadListener(ReadListener listener) {
      in.setReadListener(listener);
    }
  }
}
