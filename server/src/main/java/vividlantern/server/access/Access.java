package vividlantern.server.access;

import org.apache.catalina.core.StandardHost;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.context.SecurityContextHolderFilter;
import org.springframework.security.web.firewall.RequestRejectedHandler;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;

/**
 * Who may do what: whoever sits at this machine may do everything, nobody else reaches it. There are no cookies, so there
 * is nothing for a forged request to ride on; {@link HostAndOrigin} turns foreign pages away.
 */
@Configuration
class Access {

    @Bean
    SecurityFilterChain chain(HttpSecurity http) {
        http.csrf(AbstractHttpConfigurer::disable)
                .requestCache(AbstractHttpConfigurer::disable)
                .logout(AbstractHttpConfigurer::disable)
                .sessionManagement(sessions -> sessions.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .headers(headers -> headers.referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.NO_REFERRER)))
                .authorizeHttpRequests(requests -> requests.anyRequest().permitAll())
                .addFilterBefore(new HostAndOrigin(), SecurityContextHolderFilter.class)
                .addFilterAfter(new Bounds(), HostAndOrigin.class);
        return http.build();
    }

    /** Addresses and headers that no browser sends. */
    @Bean
    RequestRejectedHandler odd() {
        return (request, response, odd) -> ProblemText.send(
                response, HttpStatus.BAD_REQUEST, "The address or a header of this request is not valid.");
    }

    /** What the server below refuses by itself, like an address with signs in it that no address has. */
    @Bean
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> ownWords() {
        return server -> server.addContextCustomizers(
                context -> ((StandardHost) context.getParent()).setErrorReportValveClass(OwnWords.class.getName()));
    }
}
