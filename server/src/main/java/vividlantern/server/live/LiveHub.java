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
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketSession;
import org.springframework.web.socket.handler.TextWebSocketHandler;
import org.springframework.web.util.UriComponentsBuilder;
import vividlantern.basics.Refused;
import vividlantern.format.Documents;
import vividlantern.mix.TrackStanding;
import vividlantern.preamp.InputStanding;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.NotFound;
import vividlantern.server.desk.RigChanged;
import vividlantern.server.desk.RigDesk;
import vividlantern.server.desk.RigMeasured;
import vividlantern.server.desk.RigTurned;
import vividlantern.server.desk.SessionChanged;
import vividlantern.server.desk.SessionRemoved;
import vividlantern.server.store.StoreWatch;
import vividlantern.session.PartKind;
import vividlantern.session.Session;
import vividlantern.session.SessionId;

/** Tells every page that follows a session what changes in it and what is happening. Nothing here waits for a page. */
@Component
public class LiveHub extends TextWebSocketHandler {

    private static final Pattern PATH = Pattern.compile(".*/live/([a-z0-9-]+)");
    private static final long LOOK_MILLIS = 40;
    private static final long HEARTBEAT_MILLIS = 5000;
    private static final int MOST_PAGES = 256;

    /** How long a session stays open at which nobody looks. */
    private static final Duration UNSEEN = Duration.ofMinutes(5);

    /** A page from which somebody talks and that is not heard for so long is gone, whatever its connection says. */
    private static final Duration TALKER_SILENT = Duration.ofSeconds(10);

    private final Desk desk;
    private final RigDesk rigs;
    private final LiveRig rig;
    private final LivePages pages;
    private final StoreWatch store;
    /**
     * What pages know of a session.
     *
     * @param coming whether the rig is being taken for it
     * @param happening what is happening, field by field; empty unless it is at the rig
     */
    private record Told(boolean coming, Map<String, Object> happening) {

        /** What is happening, or null. */
        Map<String, Object> live() {
            return happening.isEmpty() ? null : happening;
        }
    }

    private final Map<SessionId, Told> told = new HashMap<>();

    /** What pages know of how inputs and tracks stand. */
    private final Map<SessionId, LiveRig.Standing> standing = new HashMap<>();

    private Beat beat;
    private Beat heart;
    private String storeTrouble = "";

    public LiveHub(Desk desk, RigDesk rigs, LiveRig rig, LivePages pages, StoreWatch store) {
        this.desk = desk;
        this.rigs = rigs;
        this.rig = rig;
        this.pages = pages;
        this.store = store;
    }

    @PostConstruct
    void begin() {
        beat = new Beat("teller", LOOK_MILLIS, this::look);
        heart = new Beat("heart", HEARTBEAT_MILLIS, this::beat);
    }

    @PreDestroy
    void close() {
        beat.close();
        heart.close();
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
        if (pages.isSignaller(socket.getId())) {
            rig.endSignal();
        }
        if (pages.isTalker(socket.getId())) {
            rig.endTalk();
        }
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
        greeting.put(
                "kinds", Stream.of(PartKind.values()).map(PartKind::written).toList());
        greeting.put("undo", desk.undoState(page.session(), page.person()));
        greeting.put("storeTrouble", store.trouble());
        synchronized (told) {
            tellWhatHappens(page.session());
            Told now = told.get(page.session());
            greeting.put("live", now.live());
            greeting.put("coming", now.coming());
            LiveRig.Standing stands = standing.get(page.session());
            greeting.put("inputs", stands.inputs());
            greeting.put("tracks", stands.tracks());
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

    /** Tells pages that their session was put into the bin; they follow it no more. */
    @EventListener
    public void follow(SessionRemoved removed) {
        for (LivePage page : pages.of(removed.id()::equals)) {
            page.text("{\"type\":\"removed\"}");
            pages.remove(page.id());
        }
    }

    /** Tells pages on a rig that a hand turned something there. */
    @EventListener
    public void follow(RigTurned change) {
        pages.of(session -> desk.rigOf(session).id().equals(change.rig()))
                .forEach(page -> page.text("{\"type\":\"turned\"}"));
    }

    /** Tells pages on a rig that something was measured there. */
    @EventListener
    public void follow(RigMeasured change) {
        pages.of(session -> desk.rigOf(session).id().equals(change.rig()))
                .forEach(page -> page.text("{\"type\":\"measured\"}"));
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

    /** Looks what moved by itself. */
    private void look() {
        tellWhatHappens();
        tellWhetherItCanBeStored();
    }

    /** Lets pages know that the connection is alive, whatever a slow database keeps waiting, and lets go of what nobody looks at. */
    private void beat() {
        pages.all().forEach(page -> page.text("{\"type\":\"alive\"}"));
        if (pages.talkerIsSilent(TALKER_SILENT)) {
            rig.endTalk();
        }
        desk.letGo(
                UNSEEN,
                session -> rig.isAtTheRig(session) || !pages.of(session::equals).isEmpty());
        rigs.letGo(UNSEEN, desk::isNeeded);
        rig.forgetClosed();
    }

    /** Tells the pages of a session what is other than they know. */
    private void tellWhatHappens(SessionId session) {
        tellHowItStands(session);
        Told now = new Told(rig.isComing(session), happening(session));
        Told before = told.put(session, now);
        if (before == null || now.equals(before)) {
            return;
        }
        Map<String, Object> message = new LinkedHashMap<>();
        message.put("type", "live");
        if (before.live() == null || now.live() == null) {
            message.put("live", now.live());
            message.put("coming", now.coming());
        } else {
            Map<String, Object> changed = new LinkedHashMap<>(now.happening());
            changed.entrySet()
                    .removeIf(field ->
                            Objects.equals(field.getValue(), before.happening().get(field.getKey())));
            message.put("changed", changed);
        }
        String json = Documents.write(message);
        pages.of(session::equals).forEach(page -> page.text(json));
    }

    /** Tells the pages of a session how inputs and tracks stand that stand otherwise than they know. */
    private void tellHowItStands(SessionId session) {
        LiveRig.Standing now = rig.standing(session);
        LiveRig.Standing before = standing.put(session, now);
        if (before == null || now == before) {
            return;
        }
        List<InputStanding> inputs = others(now.inputs(), before.inputs());
        List<TrackStanding> tracks = others(now.tracks(), before.tracks());
        if (!inputs.isEmpty() || !tracks.isEmpty()) {
            String json = Documents.write(Map.of("type", "standing", "inputs", inputs, "tracks", tracks));
            pages.of(session::equals).forEach(page -> page.text(json));
        }
    }

    private static <T> List<T> others(List<T> now, List<T> before) {
        Set<T> known = Set.copyOf(before);
        return now.stream().filter(each -> !known.contains(each)).toList();
    }

    /** What is happening, field by field; empty for a session that is not at the rig. */
    private Map<String, Object> happening(SessionId session) {
        if (!rig.isAtTheRig(session)) {
            return Map.of();
        }
        try {
            return Documents.fields(rig.happening(session));
        } catch (Refused takenAwayMeanwhile) {
            return Map.of();
        }
    }
}
