package vividlantern.server.live;

import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Predicate;
import org.springframework.stereotype.Component;
import org.springframework.web.socket.WebSocketSession;
import vividlantern.engine.Threads;
import vividlantern.server.desk.NotFound;
import vividlantern.session.SessionId;

/** The pages that follow sessions now. */
@Component
class LivePages {

    /** @param heardAt when it was heard last, as {@link System#nanoTime} tells */
    private record Talker(String page, long heardAt) {}

    private final Map<String, LivePage> pages = new ConcurrentHashMap<>();
    private volatile String signaller = "";
    private volatile Talker talker = new Talker("", System.nanoTime());
    private final ExecutorService senders = Executors.newCachedThreadPool(Threads.named("page"));

    LivePage add(WebSocketSession socket, SessionId session, String person) {
        LivePage page = new LivePage(socket, session, person, senders);
        pages.put(page.id(), page);
        return page;
    }

    void remove(String id) {
        pages.remove(id);
    }

    /** From a page somebody talks to performers; the page says so again and again as long as that is so. */
    void talks(LivePage page) {
        talker = new Talker(page.id(), System.nanoTime());
    }

    /** Whether a page is the one from which somebody talks. */
    boolean isTalker(String id) {
        return id.equals(talker.page());
    }

    /** Whether that page has not said so for some time. */
    boolean talkerIsSilent(Duration since) {
        return System.nanoTime() - talker.heardAt() > since.toNanos();
    }

    /** A test signal plays, and ends with a page if one is given. */
    void signals(Optional<LivePage> page) {
        signaller = page.map(LivePage::id).orElse("");
    }

    /** Whether a page is the one with which the test signal ends. */
    boolean isSignaller(String id) {
        return id.equals(signaller);
    }

    LivePage page(String id, SessionId session) {
        LivePage page = pages.get(id);
        if (page == null || !page.session().equals(session)) {
            throw new NotFound("There is no such connection.");
        }
        return page;
    }

    List<LivePage> all() {
        return List.copyOf(pages.values());
    }

    List<LivePage> of(Predicate<SessionId> session) {
        return pages.values().stream()
                .filter(page -> session.test(page.session()))
                .toList();
    }

    @PreDestroy
    void close() {
        senders.shutdownNow();
    }
}
