package yendrik.server.people;

import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.config.ObjectPostProcessor;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.security.web.firewall.RequestRejectedHandler;
import org.springframework.security.web.header.HeaderWriterFilter;
import org.springframework.security.web.header.writers.DelegatingRequestMatcherHeaderWriter;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter;
import org.springframework.security.web.header.writers.StaticHeadersWriter;
import org.springframework.security.web.savedrequest.NullRequestCache;
import org.springframework.security.web.servlet.util.matcher.PathPatternRequestMatcher;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import yendrik.server.http.FilmHosts;
import yendrik.server.http.Problem;
import yendrik.server.http.Refusals;

/**
 * Sessions, forgery protection and headers. Who may call what is the {@link Gatekeeper}'s, since it
 * depends on the course.
 */
@Configuration
class SecurityConfiguration {
  /** What a browser may load; films also from the hosts that the institution names. */
  private static String contentPolicy(List<String> filmHosts) {
    return "default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline';"
        + " img-src 'self' data:; font-src 'self' data:; media-src 'self' blob: %s; connect-src 'self';"
            .formatted(String.join(" ", filmHosts))
        + " object-src 'none'; base-uri 'self'; form-action 'self'; frame-ancestors 'none'";
  }

  @Bean
  SecurityFilterChain filters(
      HttpSecurity http,
      SecurityContextRepository contexts,
      Refusals refusals,
      CsrfTokenRepository tokens,
      FilmHosts filmHosts) {
    http.authorizeHttpRequests(requests -> requests.anyRequest().permitAll());
    http.csrf(csrf -> csrf.spa().csrfTokenRepository(tokens));
    http.securityContext(context -> context.securityContextRepository(contexts));
    http.requestCache(cache -> cache.requestCache(new NullRequestCache()));
    http.exceptionHandling(handling ->
        handling.accessDeniedHandler(
            (_, response, _) -> refusals.write(response, Problem.forbidden("token-missing"))));
    http.anonymous(anonymous -> {});
    http.logout(logout -> logout.disable());
    http.headers(headers ->
        headers
            .withObjectPostProcessor(
                new ObjectPostProcessor<HeaderWriterFilter>() {
                  @Override
                  public <T extends HeaderWriterFilter> T postProcess(T filter) {
                    // Else an answer without a body is gone before they are written.
                    filter.setShouldWriteHeadersEagerly(true);
                    return filter;
                  }
                })
            .cacheControl(cache -> cache.disable())
            .addHeaderWriter(
                new DelegatingRequestMatcherHeaderWriter(
                    PathPatternRequestMatcher.pathPattern("/api/**"),
                    new StaticHeadersWriter("Cache-Control", "no-store")))
            .contentSecurityPolicy(
                policy -> policy.policyDirectives(contentPolicy(filmHosts.hosts())))
            .referrerPolicy(referrer ->
                referrer.policy(ReferrerPolicyHeaderWriter.ReferrerPolicy.SAME_ORIGIN)));
    return http.build();
  }

  /** What no address or parameter can hold is refused before anything else. */
  @Bean
  RequestRejectedHandler rejections(Refusals refusals) {
    return (_, response, why) -> refusals.write(response, why);
  }

  @Bean
  PasswordEncoder passwordEncoder() {
    return PasswordEncoderFactories.createDelegatingPasswordEncoder();
  }

  @Bean
  WebMvcConfigurer gate(Gatekeeper gatekeeper) {
    return new WebMvcConfigurer() {
      @Override
      public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(gatekeeper).addPathPatterns("/api/**");
      }

      @Override
      public void addArgumentResolvers(List<HandlerMethodArgumentResolver> resolvers) {
        resolvers.add(gatekeeper);
      }
    };
  }

  /** The forgery token; over TLS under a name that no other host can set. */
  @Bean
  static CsrfTokenRepository tokens(@Value("${yendrik.address}") String address) {
    var tokens = CookieCsrfTokenRepository.withHttpOnlyFalse();
    boolean tls = SessionConfiguration.overTls(address);
    tokens.setCookieName(tls ? "__Host-XSRF-TOKEN" : "XSRF-TOKEN");
    tokens.setCookieCustomizer(cookie -> cookie.secure(tls).sameSite("Lax").path("/"));
    return tokens;
  }
}
