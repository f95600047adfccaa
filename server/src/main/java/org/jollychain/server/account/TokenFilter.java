package org.jollychain.server.account;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/** Lets scripts in by their token; a wrong one is refused, whoever else may come in. */
class TokenFilter extends OncePerRequestFilter {

  private static final String SCHEME = "Bearer ";

  private final TokenService tokens;

  TokenFilter(TokenService tokens) {
    this.tokens = tokens;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    String sent = request.getHeader(HttpHeaders.AUTHORIZATION);
    if (sent != null) {
      Optional<TokenMapper.Valid> token =
          sent.startsWith(SCHEME)
              ? tokens.valid(sent.substring(SCHEME.length()).strip())
              : Optional.empty();
      if (token.isEmpty()) {
        response.sendError(HttpStatus.UNAUTHORIZED.value());
        return;
      }
      SecurityContextHolder.getContext()
          .setAuthentication(token.get().may().of("token " + token.get().title()));
    }
    chain.doFilter(request, response);
  }
}
