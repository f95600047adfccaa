package org.jollychain.server.platform;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.util.Set;
import org.jollychain.core.quantity.PlainText;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.firewall.HttpFirewall;
import org.springframework.security.web.firewall.StrictHttpFirewall;
import org.springframework.security.web.header.HeaderWriter;
import org.springframework.security.web.header.writers.CrossOriginOpenerPolicyHeaderWriter.CrossOriginOpenerPolicy;
import org.springframework.security.web.header.writers.CrossOriginResourcePolicyHeaderWriter.CrossOriginResourcePolicy;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * The station's own machine only: strict headers, no script but ours, and no request that another
 * site or a rebound name could have sent. There are no sessions and no cookies yet, so there is
 * nothing to ride on; see docs/decisions.
 */
@Configuration
class Security {

  private static final String API = "/api/";

  @Bean
  SecurityFilterChain filters(HttpSecurity http) throws Exception {
    return http.authorizeHttpRequests(a -> a.anyRequest().permitAll())
        .csrf(AbstractHttpConfigurer::disable)
        .sessionManagement(s -> s.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
        .requestCache(AbstractHttpConfigurer::disable)
        .headers(
            h ->
                h.cacheControl(c -> c.disable())
                    .contentSecurityPolicy(c -> c.policyDirectives(HeadersOnAll.CONTENT_POLICY))
                    .referrerPolicy(r -> r.policy(ReferrerPolicy.NO_REFERRER))
                    .permissionsPolicyHeader(p -> p.policy(HeadersOnAll.PERMISSIONS))
                    .crossOriginOpenerPolicy(c -> c.policy(CrossOriginOpenerPolicy.SAME_ORIGIN))
                    .crossOriginResourcePolicy(c -> c.policy(CrossOriginResourcePolicy.SAME_ORIGIN))
                    .addHeaderWriter(NOTHING_OF_THE_API_IS_KEPT))
        .addFilterBefore(new OwnPagesOnly(), AuthorizationFilter.class)
        .build();
  }

  private static final HeaderWriter NOTHING_OF_THE_API_IS_KEPT =
      (request, response) -> {
        if (request.getRequestURI().startsWith(API)) {
          response.setHeader("Cache-Control", "no-store");
        }
      };

  /** What stands behind the question mark is text like any other. */
  @Bean
  HttpFirewall firewall() {
    StrictHttpFirewall firewall = new StrictHttpFirewall();
    firewall.setAllowedParameterValues(value -> PlainText.problemInLine(value).isEmpty());
    return firewall;
  }

  /**
   * Requests must name this machine as host, and come from its own pages if they come from a page.
   * A link elsewhere may lead to the first page, to nothing else.
   */
  private static final class OwnPagesOnly extends OncePerRequestFilter {
    private static final Set<String> OWN = Set.of("localhost", "127.0.0.1", "[::1]");
    private static final Set<String> OWN_PAGE = Set.of("same-origin", "none");

    @Override
    protected void doFilterInternal(
        HttpServletRequest request, HttpServletResponse response, FilterChain chain)
        throws ServletException, IOException {
      String origin = request.getHeader("Origin");
      if (!OWN.contains(request.getServerName())
          || origin != null && !own(origin, request)
          || fromElsewhere(request)) {
        response.sendError(HttpStatus.FORBIDDEN.value());
        return;
      }
      chain.doFilter(request, response);
    }

    /** As the browser says (Fetch Metadata); other programs say nothing. */
    private static boolean fromElsewhere(HttpServletRequest request) {
      String site = request.getHeader("Sec-Fetch-Site");
      boolean link =
          request.getRequestURI().equals("/")
              && "navigate".equals(request.getHeader("Sec-Fetch-Mode"))
              && "document".equals(request.getHeader("Sec-Fetch-Dest"));
      return site != null && !OWN_PAGE.contains(site) && !link;
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
