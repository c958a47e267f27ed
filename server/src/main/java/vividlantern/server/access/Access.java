package vividlantern.server.access;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.context.SecurityContextHolderFilter;
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
                .addFilterBefore(new HostAndOrigin(), SecurityContextHolderFilter.class);
        return http.build();
    }
}
