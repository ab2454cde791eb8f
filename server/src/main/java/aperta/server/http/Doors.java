package aperta.server.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.firewall.RequestRejectedHandler;
import org.springframework.security.web.firewall.StrictHttpFirewall;
import org.springframework.security.web.header.writers.CrossOriginOpenerPolicyHeaderWriter.CrossOriginOpenerPolicy;
import org.springframework.security.web.header.writers.CrossOriginResourcePolicyHeaderWriter.CrossOriginResourcePolicy;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Who may come in: whoever reaches the application by a name that it is served under. A page of another origin, open in the same
 * browser, may change nothing (the application knows no users, so that there is no cookie that a token could protect).
 */
@Configuration
class Doors {
    /** What a page may load: its own files, and pictures that it has made itself. Ant Design Vue writes its styles into the page. */
    private static final String CONTENT = "default-src 'self'; img-src 'self' data: blob:; media-src 'self' blob:;"
            + " style-src 'self' 'unsafe-inline'; font-src 'self' data:; connect-src 'self'; object-src 'none';"
            + " base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

    private final Set<String> names;

    /** @param more names besides those of the loopback, with commas between */
    Doors(@Value("${aperta.hosts}") String more) {
        names = Stream.concat(Stream.of("127.0.0.1", "localhost", "[::1]", "::1"), Stream.of(more.split(",")))
                .map(n -> n.strip().toLowerCase(Locale.ROOT))
                .filter(n -> !n.isEmpty())
                .collect(Collectors.toSet());
    }

    @Bean
    StrictHttpFirewall firewall() {
        StrictHttpFirewall firewall = new StrictHttpFirewall();
        firewall.setAllowedHostnames(name -> names.contains(name.toLowerCase(Locale.ROOT)));
        return firewall;
    }

    @Bean
    RequestRejectedHandler rejected() {
        return (request, response, e) ->
                refuse(response, HttpStatus.MISDIRECTED_REQUEST, "Aperta isn't served under this name or path.");
    }

    /** Nobody signs in; without this a password would be made up. */
    @Bean
    AuthenticationManager nobody() {
        return authentication -> authentication;
    }

    @Bean
    SecurityFilterChain chain(HttpSecurity http) throws Exception {
        return http.authorizeHttpRequests(all -> all.anyRequest().permitAll())
                .csrf(AbstractHttpConfigurer::disable)
                .logout(AbstractHttpConfigurer::disable)
                .requestCache(AbstractHttpConfigurer::disable)
                .sessionManagement(s -> s.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .headers(h -> h.contentSecurityPolicy(c -> c.policyDirectives(CONTENT))
                        .cacheControl(c -> c.disable())
                        .frameOptions(f -> f.deny())
                        .referrerPolicy(r -> r.policy(ReferrerPolicy.SAME_ORIGIN))
                        .crossOriginOpenerPolicy(o -> o.policy(CrossOriginOpenerPolicy.SAME_ORIGIN))
                        .crossOriginResourcePolicy(r -> r.policy(CrossOriginResourcePolicy.SAME_ORIGIN)))
                .addFilterBefore(new SameOrigin(), AuthorizationFilter.class)
                .build();
    }

    /** Browsers say where a request comes from that may change something; programs that aren't browsers needn't. */
    private static final class SameOrigin extends OncePerRequestFilter {
        private static final Set<String> READING =
                Set.of(HttpMethod.GET.name(), HttpMethod.HEAD.name(), HttpMethod.OPTIONS.name());

        @Override
        protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                throws ServletException, IOException {
            if (READING.contains(request.getMethod()) || isOwn(request)) {
                chain.doFilter(request, response);
            } else {
                refuse(response, HttpStatus.FORBIDDEN, "Another page may not change anything here.");
            }
        }

        private static boolean isOwn(HttpServletRequest request) {
            String site = request.getHeader("Sec-Fetch-Site");
            if (site != null && !site.equals("same-origin") && !site.equals("none")) {
                return false;
            }
            String origin = request.getHeader("Origin");
            try {
                return origin == null
                        || String.valueOf(URI.create(origin).getAuthority())
                                .equalsIgnoreCase(request.getHeader("Host"));
            } catch (IllegalArgumentException e) {
                return false;
            }
        }
    }

    private static void refuse(HttpServletResponse response, HttpStatus status, String why) throws IOException {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, why);
        response.setStatus(status.value());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        String json = "{\"title\":\"%s\",\"status\":%d,\"detail\":\"%s\"}"
                .formatted(problem.getTitle(), problem.getStatus(), problem.getDetail());
        response.getOutputStream().write(json.getBytes(StandardCharsets.UTF_8));
    }
}
