package org.jollychain.server.account;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import org.jollychain.core.quantity.PlainText;
import org.jollychain.server.platform.HeadersOnAll;
import org.jollychain.server.platform.Listening;
import org.jollychain.server.platform.OwnPagesOnly;
import org.jollychain.server.platform.Stamps;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.authentication.AnonymousAuthenticationFilter;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.firewall.HttpFirewall;
import org.springframework.security.web.firewall.StrictHttpFirewall;
import org.springframework.security.web.header.HeaderWriter;
import org.springframework.security.web.header.writers.CrossOriginOpenerPolicyHeaderWriter.CrossOriginOpenerPolicy;
import org.springframework.security.web.header.writers.CrossOriginResourcePolicyHeaderWriter.CrossOriginResourcePolicy;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;
import org.springframework.session.web.http.CookieSerializer;
import org.springframework.session.web.http.DefaultCookieSerializer;

/**
 * Strict headers, no script but ours, no request that another site or a rebound name could have
 * sent. The API needs somebody who signed in; what they may do is asked by the services. The pages
 * themselves hold nothing of the shop and are for everybody.
 */
@Configuration
class WebSecurity {

  static final String API = "/api/";

  /** What whoever has to set up a second factor may ask. */
  static final String SESSION = API + "session";

  /** The session's cookie. */
  static final String COOKIE = "JOLLY";

  private static final Pattern SESSION_ID = Pattern.compile("[0-9a-f-]{36}");

  @Bean
  SecurityFilterChain filters(
      HttpSecurity http,
      TokenService tokens,
      OpenDoor door,
      PersonMapper people,
      Clock clock,
      Listening listening,
      Stamps stamps,
      CookieCsrfTokenRepository csrfTokens,
      @Value("${spring.session.timeout}") Duration shift,
      @Value("${jolly.hosts}") Set<String> hosts)
      throws Exception {
    return http.authorizeHttpRequests(
            a ->
                a.dispatcherTypeMatchers(DispatcherType.ERROR, DispatcherType.ASYNC)
                    .permitAll()
                    .requestMatchers(SESSION, SESSION + "/**", API + "ready")
                    .permitAll()
                    .requestMatchers(API + "**")
                    .authenticated()
                    .anyRequest()
                    .permitAll())
        .csrf(
            c ->
                c.spa()
                    .csrfTokenRepository(csrfTokens)
                    .requireCsrfProtectionMatcher(WebSecurity::rides))
        .exceptionHandling(
            e ->
                e.authenticationEntryPoint(
                        (request, response, why) ->
                            response.sendError(HttpStatus.UNAUTHORIZED.value()))
                    .accessDeniedHandler(
                        (request, response, why) ->
                            response.sendError(
                                HttpStatus.FORBIDDEN.value(),
                                "This page is from an earlier session; load it anew.")))
        .sessionManagement(s -> s.sessionCreationPolicy(SessionCreationPolicy.NEVER))
        .requestCache(c -> c.disable())
        .logout(l -> l.disable())
        .headers(
            h ->
                h.cacheControl(c -> c.disable())
                    .contentSecurityPolicy(c -> c.policyDirectives(HeadersOnAll.CONTENT_POLICY))
                    .referrerPolicy(r -> r.policy(ReferrerPolicy.NO_REFERRER))
                    .permissionsPolicyHeader(p -> p.policy(HeadersOnAll.PERMISSIONS))
                    .crossOriginOpenerPolicy(c -> c.policy(CrossOriginOpenerPolicy.SAME_ORIGIN))
                    .crossOriginResourcePolicy(c -> c.policy(CrossOriginResourcePolicy.SAME_ORIGIN))
                    .addHeaderWriter(NOTHING_OF_THE_API_IS_KEPT))
        .addFilterBefore(
            new StillSignedIn(people, door, shift, clock), AnonymousAuthenticationFilter.class)
        .addFilterBefore(new TokenFilter(tokens), AnonymousAuthenticationFilter.class)
        .addFilterBefore(new ScriptsOfThisMachine(door), AnonymousAuthenticationFilter.class)
        .addFilterBefore(new OwnPagesOnly(hosts), AuthorizationFilter.class)
        .addFilterBefore(new WriteRate(listening, stamps), AuthorizationFilter.class)
        .build();
  }

  /** Only what a browser sends along by itself can be ridden on. */
  private static boolean rides(HttpServletRequest request) {
    boolean reads = Set.of("GET", "HEAD", "OPTIONS", "TRACE").contains(request.getMethod());
    return !reads
        && request.getCookies() != null
        && Arrays.stream(request.getCookies()).anyMatch(c -> c.getName().equals(COOKIE));
  }

  private static final HeaderWriter NOTHING_OF_THE_API_IS_KEPT =
      (request, response) -> {
        if (request.getRequestURI().startsWith(API)) {
          response.setHeader("Cache-Control", "no-store");
        }
      };

  /** The framework's own sessions of the database, inside ours. */
  @Bean
  static BeanPostProcessor tolerantSessions() {
    return new BeanPostProcessor() {
      @Override
      public Object postProcessAfterInitialization(Object bean, String name) {
        return bean instanceof JdbcIndexedSessionRepository kept
            ? new TolerantSessions<>(kept)
            : bean;
      }
    };
  }

  @Bean
  PasswordEncoder passwords() {
    return PasswordEncoderFactories.createDelegatingPasswordEncoder();
  }

  @Bean
  SecurityContextRepository contexts() {
    return new HttpSessionSecurityContextRepository();
  }

  @Bean
  CookieCsrfTokenRepository csrfTokens() {
    CookieCsrfTokenRepository tokens = CookieCsrfTokenRepository.withHttpOnlyFalse();
    tokens.setCookieCustomizer(c -> c.sameSite("Strict"));
    return tokens;
  }

  /** {@code Secure} wherever it is served by TLS. */
  @Bean
  CookieSerializer sessionCookie() {
    DefaultCookieSerializer cookie =
        new DefaultCookieSerializer() {
          /** What no session is called by never gets to the database. */
          @Override
          public List<String> readCookieValues(HttpServletRequest request) {
            return super.readCookieValues(request).stream()
                .filter(id -> SESSION_ID.matcher(id).matches())
                .toList();
          }
        };
    cookie.setCookieName(COOKIE);
    cookie.setUseHttpOnlyCookie(true);
    cookie.setSameSite("Strict");
    return cookie;
  }

  /** What stands behind the question mark is text like any other. */
  @Bean
  HttpFirewall firewall() {
    StrictHttpFirewall firewall = new StrictHttpFirewall();
    firewall.setAllowedParameterValues(value -> PlainText.problemInLine(value).isEmpty());
    return firewall;
  }
}
