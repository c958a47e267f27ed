package vividlantern.server.api;

import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import vividlantern.format.Documents;

/** Requests and answers are written as {@link Documents} are. */
@Configuration
class Json {

    @Bean
    JsonMapperBuilderCustomizer documents() {
        return Documents::configure;
    }
}
