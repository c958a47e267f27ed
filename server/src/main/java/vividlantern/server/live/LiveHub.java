package vividlantern.server.live;

import jakarta.annotation.PostConstruct;
import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketSession;
import org.springframework.web.socket.handler.TextWebSocketHandler;
import org.springframework.web.util.UriComponentsBuilder;
import vividlantern.format.Documents;
import vividlantern.history.Refused;
import vividlantern.mix.TrackStanding;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.NotFound;
import vividlantern.server.desk.RigChanged;
import vividlantern.server.desk.RigTurned;
import vividlantern.server.desk.SessionChanged;
import vividlantern.server.store.StoreWatch;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.TrackId;

/** Tells every page that follows a session what changes in it and what is happening. Nothing here waits for a page. */
@Component
public class LiveHub extends TextWebSocketHandler {

    private static final Pattern PATH = Pattern.compile(".*/live/([a-z0-9-]+)");
    private static final long LOOK_MILLIS = 40;
    private static final int LOOKS_A_HEARTBEAT = 125;
    private static final int MOST_PAGES = 256;

    /** How long a session stays open at which nobody looks. */
    private static final Duration UNSEEN = Duration.ofMinutes(5);

    private final Desk desk;
    private final LiveRig rig;
    private final LivePages pages;
    private final StoreWatch store;
    /** What pages know of what is happening, by session and field; empty for a session that is not at the rig. */
    private final Map<SessionId, Map<String, Object>> told = new HashMap<>();

    /** What pages know of how tracks stand, by session and track. */
    private final Map<SessionId, Map<TrackId, TrackStanding>> standing = new HashMap<>();

    private Beat beat;
    private int looks;
    private String storeTrouble = "";

    public LiveHub(Desk desk, LiveRig rig, LivePages pages, StoreWatch store) {
        this.desk = desk;
        this.rig = rig;
        this.pages = pages;
        this.store = store;
    }

    @PostConstruct
    void begin() {
        beat = new Beat("teller", LOOK_MILLIS, this::look);
    }

    @PreDestroy
    void close() {
        beat.close();
    }

    /** A page is among those that are told of changes before anything can change that its greeting does not hold. */
    @Override
    public void afterConnectionEstablished(WebSocketSession socket) throws Exception {
        Matcher path = PATH.matcher(socket.getUri().getPath());
        if (!path.matches()) {
            socket.close(CloseStatus.BAD_DATA);
            return;
        }
        if (pages.all().size() >= MOST_PAGES) {
            socket.close(CloseStatus.SERVICE_OVERLOAD.withReason("At most " + MOST_PAGES + " pages can follow."));
            return;
        }
        SessionId id = new SessionId(path.group(1));
        String person = Optional.ofNullable(UriComponentsBuilder.fromUri(socket.getUri())
                        .build()
                        .getQueryParams()
                        .getFirst("person"))
                .orElse("");
        try {
            desk.whileNothingChanges(id, session -> {
                LivePage page = pages.add(socket, id, person);
                greet(page, session);
            });
        } catch (NotFound unknown) {
            socket.close(CloseStatus.POLICY_VIOLATION);
        }
    }

    @Override
    public void afterConnectionClosed(WebSocketSession socket, CloseStatus status) {
        pages.remove(socket.getId());
    }

    @Override
    protected void handleTextMessage(WebSocketSession socket, TextMessage message) {
        // pages speak by HTTP; what they say here is not heard
    }

    private void greet(LivePage page, Session session) {
        Map<String, Object> greeting = new LinkedHashMap<>();
        greeting.put("type", "hello");
        greeting.put("connection", page.id());
        greeting.put("session", session);
        greeting.put("undo", desk.undoState(page.session(), page.person()));
        greeting.put("storeTrouble", store.trouble());
        synchronized (told) {
            tellWhatHappens(page.session());
            Map<String, Object> happening = told.get(page.session());
            greeting.put("live", happening.isEmpty() ? null : happening);
            greeting.put("standing", standing.get(page.session()).values());
            page.text(Documents.write(greeting));
        }
    }

    /** Tells pages of a stored change: the parts that are new, and what each person can undo now. */
    @EventListener
    public void follow(SessionChanged change) {
        Map<String, Object> message = new LinkedHashMap<>();
        message.put("type", "session");
        message.put("revision", change.after().revision());
        Map<String, Object> changed = new LinkedHashMap<>();
        change.parts().forEach((key, part) -> changed.put(key.toString(), part.orElse(null)));
        message.put("changed", changed);
        for (LivePage page : pages.of(change.after().id()::equals)) {
            message.put("undo", desk.undoState(page.session(), page.person()));
            page.text(Documents.write(message));
        }
        synchronized (told) {
            tellWhatHappens(change.after().id());
        }
    }

    /** Tells pages on a rig that it has a new state; they fetch it. */
    @EventListener
    public void follow(RigChanged change) {
        String message =
                Documents.write(Map.of("type", "rig", "revision", change.after().revision()));
        pages.of(session -> desk.rigOf(session).id().equals(change.after().id()))
                .forEach(page -> page.text(message));
    }

    /** Tells pages on a rig that a hand turned something there. */
    @EventListener
    public void follow(RigTurned change) {
        pages.of(session -> desk.rigOf(session).id().equals(change.rig()))
                .forEach(page -> page.text("{\"type\":\"turned\"}"));
    }

    /** Tells pages at once what is happening since a command. */
    public void tellWhatHappens() {
        synchronized (told) {
            List<SessionId> followed =
                    pages.all().stream().map(LivePage::session).distinct().collect(Collectors.toList());
            followed.forEach(this::tellWhatHappens);
            told.keySet().retainAll(followed);
            standing.keySet().retainAll(followed);
        }
    }

    private void tellWhetherItCanBeStored() {
        String now = store.trouble();
        if (!now.equals(storeTrouble)) {
            storeTrouble = now;
            String message = Documents.write(Map.of("type", "store", "trouble", now));
            pages.all().forEach(page -> page.text(message));
        }
    }

    /** Looks what moved by itself, and lets pages know now and then that the connection is alive. */
    private void look() {
        tellWhatHappens();
        tellWhetherItCanBeStored();
        looks++;
        if (looks % LOOKS_A_HEARTBEAT == 0) {
            pages.all().forEach(page -> page.text("{\"type\":\"alive\"}"));
            desk.letGo(
                    UNSEEN,
                    session -> rig.isAtTheRig(session)
                            || !pages.of(session::equals).isEmpty());
        }
    }

    /** Tells the pages of a session what is other than they know. */
    private void tellWhatHappens(SessionId session) {
        tellHowTracksStand(session);
        Map<String, Object> now = happening(session);
        Map<String, Object> before = told.put(session, now);
        if (before == null || now.equals(before)) {
            return;
        }
        Map<String, Object> message = new LinkedHashMap<>();
        message.put("type", "live");
        if (before.isEmpty() || now.isEmpty()) {
            message.put("live", now.isEmpty() ? null : now);
        } else {
            Map<String, Object> changed = new LinkedHashMap<>(now);
            changed.entrySet().removeIf(field -> Objects.equals(field.getValue(), before.get(field.getKey())));
            message.put("changed", changed);
        }
        String json = Documents.write(message);
        pages.of(session::equals).forEach(page -> page.text(json));
    }

    /** Tells the pages of a session how tracks stand that stand otherwise than they know. */
    private void tellHowTracksStand(SessionId session) {
        Map<TrackId, TrackStanding> now = new LinkedHashMap<>();
        rig.standing(session).forEach(track -> now.put(track.track(), track));
        Map<TrackId, TrackStanding> before = standing.put(session, now);
        if (before == null) {
            return;
        }
        List<TrackStanding> changed = now.values().stream()
                .filter(track -> !track.equals(before.get(track.track())))
                .toList();
        if (!changed.isEmpty()) {
            String json = Documents.write(Map.of("type", "standing", "tracks", changed));
            pages.of(session::equals).forEach(page -> page.text(json));
        }
    }

    /** What is happening, field by field; empty for a session that is not at the rig. */
    private Map<String, Object> happening(SessionId session) {
        try {
            return Documents.fields(rig.happening(session));
        } catch (Refused notAtTheRig) {
            return Map.of();
        }
    }
}
