package org.jollychain.server.platform;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.util.Set;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * The station's own machine only: strict headers, no script but ours, and no request that another
 * site or a rebound name could have sent. There are no sessions and no cookies yet, so there is
 * nothing to ride on; see docs/decisions.
 */
@Configuration
class Security {

  private static final String POLICY =
      "default-src 'self'; script-src 'self'; style-src 'self'; img-src 'self' data:; font-src 'self'; "
          + "connect-src 'self'; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

  @Bean
  SecurityFilterChain filters(HttpSecurity http) throws Exception {
    return http.authorizeHttpRequests(a -> a.anyRequest().permitAll())
        .csrf(AbstractHttpConfigurer::disable)
        .sessionManagement(s -> s.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
        .requestCache(AbstractHttpConfigurer::disable)
        .headers(
            h ->
                h.cacheControl(c -> c.disable())
                    .contentSecurityPolicy(c -> c.policyDirectives(POLICY))
                    .referrerPolicy(r -> r.policy(ReferrerPolicy.NO_REFERRER)))
        .addFilterBefore(new OwnPagesOnly(), AuthorizationFilter.class)
        .build();
  }

  /**
   * Requests must name this machine as host, and come from its own pages if they come from a page.
   */
  private static final class OwnPagesOnly extends OncePerRequestFilter {
    private static final Set<String> OWN = Set.of("localhost", "127.0.0.1", "[::1]");

    @Override
    protected void doFilterInternal(
        HttpServletRequest request, HttpServletResponse response, FilterChain chain)
        throws ServletException, IOException {
      String origin = request.getHeader("Origin");
      if (!OWN.contains(request.getServerName()) || origin != null && !own(origin, request)) {
        response.sendError(HttpStatus.FORBIDDEN.value());
        return;
      }
      chain.doFilter(request, response);
    }

    private static boolean own(String origin, HttpServletRequest request) {
      try {
        URI uri = URI.create(origin);
        return request.getServerName().equals(uri.getHost())
            && uri.getPort() == request.getServerPort();
      } catch (IllegalArgumentException e) {
        return false;
      }
    }
  }
}
