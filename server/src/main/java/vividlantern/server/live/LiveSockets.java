package vividlantern.server.live;

import org.springframework.context.annotation.Configuration;
import org.springframework.web.socket.config.annotation.EnableWebSocket;
import org.springframework.web.socket.config.annotation.WebSocketConfigurer;
import org.springframework.web.socket.config.annotation.WebSocketHandlerRegistry;

/** Where the live connection is reached, and the threads that feed it. */
@Configuration
@EnableWebSocket
class LiveSockets implements WebSocketConfigurer {

    private final LiveHub hub;

    LiveSockets(LiveHub hub) {
        this.hub = hub;
    }

    @Override
    public void registerWebSocketHandlers(WebSocketHandlerRegistry registry) {
        registry.addHandler(hub, "/live/*");
    }
}
