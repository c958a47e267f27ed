package vividlantern.server.live;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketSession;
import org.springframework.web.socket.handler.TextWebSocketHandler;
import org.springframework.web.util.UriComponentsBuilder;
import vividlantern.format.Documents;
import vividlantern.history.Refused;
import vividlantern.mix.Ballistics;
import vividlantern.mix.Lights;
import vividlantern.mix.Meters;
import vividlantern.mix.MixState;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.NotFound;
import vividlantern.server.desk.RigChanged;
import vividlantern.server.desk.RigTurned;
import vividlantern.server.desk.SessionChanged;
import vividlantern.session.PartKey;
import vividlantern.session.Parts;
import vividlantern.session.Session;
import vividlantern.session.SessionId;

/** Tells every page that follows a session what changes in it, what is happening, how loud things are and what sounds. */
@Component
public class LiveHub extends TextWebSocketHandler {

    private static final Pattern PATH = Pattern.compile(".*/live/([a-z0-9-]+)");

    private final Desk desk;
    private final LiveRig rig;
    private final Map<String, LiveConnection> connections = new ConcurrentHashMap<>();
    private final Map<String, Ballistics> needles = new HashMap<>();
    private final Map<String, Integer> clips = new HashMap<>();
    private MixState metered;
    private Lights lights;
    private Meters.Window window;
    private int layout;
    private volatile boolean clearClips;
    private Object happened;

    public LiveHub(Desk desk, LiveRig rig) {
        this.desk = desk;
        this.rig = rig;
    }

    @Override
    public void afterConnectionEstablished(WebSocketSession socket) throws Exception {
        Matcher path = PATH.matcher(socket.getUri().getPath());
        if (!path.matches()) {
            socket.close(CloseStatus.BAD_DATA);
            return;
        }
        SessionId id = new SessionId(path.group(1));
        String person = Optional.ofNullable(UriComponentsBuilder.fromUri(socket.getUri())
                        .build()
                        .getQueryParams()
                        .getFirst("person"))
                .orElse("");
        LiveConnection connection = new LiveConnection(socket, id, person);
        try {
            connection.text(hello(connection));
            connections.put(connection.id(), connection);
        } catch (NotFound unknown) {
            socket.close(CloseStatus.POLICY_VIOLATION);
        }
    }

    @Override
    public void afterConnectionClosed(WebSocketSession socket, CloseStatus status) {
        connections.remove(socket.getId());
    }

    @Override
    protected void handleTextMessage(WebSocketSession socket, TextMessage message) {
        // pages speak by HTTP; what they say here is not heard
    }

    /** Tells pages of a stored change: the parts that are new, and what each person can undo now. */
    @EventListener
    public void follow(SessionChanged change) {
        Map<String, Object> told = new LinkedHashMap<>();
        told.put("type", "session");
        told.put("revision", change.after().revision());
        Map<String, Object> changed = new LinkedHashMap<>();
        for (Map.Entry<PartKey, ?> entry :
                Parts.OF_SESSION.changed(change.before(), change.after()).entrySet()) {
            changed.put(entry.getKey().toString(), ((Optional<?>) entry.getValue()).orElse(null));
        }
        told.put("changed", changed);
        for (LiveConnection connection : following(change.after().id())) {
            told.put("undo", desk.undoState(connection.session(), connection.person()));
            connection.text(Documents.write(told));
        }
    }

    /** Tells pages on a rig that it has a new state; they fetch it. */
    @EventListener
    public void follow(RigChanged change) {
        String told =
                Documents.write(Map.of("type", "rig", "revision", change.after().revision()));
        connections.values().stream()
                .filter(each ->
                        desk.rigOf(each.session()).id().equals(change.after().id()))
                .forEach(connection -> {
                    connection.text(told);
                    connection.text(happening(connection.session()));
                });
    }

    /** Tells pages on a rig that a hand turned something there. */
    @EventListener
    public void follow(RigTurned change) {
        connections.values().stream()
                .filter(each -> desk.rigOf(each.session()).id().equals(change.rig()))
                .forEach(connection -> connection.text("{\"type\":\"turned\"}"));
    }

    /** Carries out a command and tells everybody what is happening since. */
    public void command(SessionId session, Command command) {
        if (command instanceof Command.TakeRig) {
            rig.take(session);
        } else if (command instanceof Command.Play play) {
            rig.play(session, play.bar());
        } else if (command instanceof Command.Stop) {
            rig.stop(session);
        } else if (command instanceof Command.Locate locate) {
            rig.locate(session, locate.bar());
        } else if (command instanceof Command.CutHeadphones cut) {
            rig.cutHeadphones(session, cut.cut());
        } else if (command instanceof Command.Players players) {
            rig.players(session, players.who());
        } else if (command instanceof Command.Listen listen) {
            listen(session, listen);
        } else if (command instanceof Command.ClearClips) {
            clearClips = true;
        } else if (command instanceof Command.Turn turn) {
            rig.turn(session, turn.port(), turn.gainDb(), turn.phantom());
        } else if (command instanceof Command.ReleaseRig) {
            rig.release(session);
        } else if (command instanceof Command.InterfaceFate interfaceFate) {
            rig.befall(session, interfaceFate.fate());
        }
        connections.values().forEach(connection -> connection.text(happening(connection.session())));
    }

    /** Tells pages what moved by itself: preamps on their way, switches that were thrown. */
    @Scheduled(fixedRate = 40)
    void tellWhatMoved() {
        for (LiveConnection connection : atTheRig()) {
            Object now = live(connection.session());
            if (!Objects.equals(now, happened)) {
                happened = now;
                connections.values().forEach(each -> each.text(happening(each.session())));
            }
        }
    }

    private void listen(SessionId session, Command.Listen listen) {
        LiveConnection connection = Optional.ofNullable(connections.get(listen.connection()))
                .filter(found -> found.session().equals(session))
                .orElseThrow(() -> new NotFound("There is no such connection."));
        if (!listen.to().isEmpty() && rig.outputs(session, listen.to()).isEmpty()) {
            throw new Refused("There is nothing to listen to: it has no output pair.", "to");
        }
        connection.listen(listen.to());
    }

    /** 25 times a second: meters, as far as somebody looks. */
    @Scheduled(fixedRate = 40)
    void sendMeters() {
        List<LiveConnection> looking = atTheRig();
        if (looking.isEmpty()) {
            return;
        }
        SessionId id = looking.get(0).session();
        if (!rig.sounds(id)) {
            return;
        }
        try {
            Session session = desk.session(id);
            MixState state = rig.state(id);
            if (state != metered) {
                metered = state;
                lights = new Lights(session, desk.rigOf(id), rig.liveState(id), state);
                window = state.meters().newWindow();
                layout++;
            }
            if (clearClips) {
                clearClips = false;
                clips.clear();
            }
            float[] values = takeMeters();
            for (LiveConnection connection : looking) {
                if (connection.learns(layout)) {
                    connection.text(Documents.write(Map.of("type", "meters", "layout", layout, "keys", lights.keys())));
                }
                connection.binary(
                        LiveFrames.meters(layout, session.sampleRate(), window.frame(), rig.place(id), values));
            }
        } catch (Refused | NotFound takenAwayMeanwhile) {
            metered = null;
        }
    }

    /** 50 times a second: what the converters gave out, to those who listen. */
    @Scheduled(fixedRate = 20)
    void sendAudio() {
        for (LiveConnection connection : atTheRig()) {
            String to = connection.listensTo();
            if (to.isEmpty()) {
                connection.listensNoMore();
                continue;
            }
            try {
                rig.outputs(connection.session(), to)
                        .ifPresent(outputs -> connection.play(
                                rig.tape(connection.session()),
                                outputs,
                                desk.session(connection.session()).sampleRate()));
            } catch (Refused | NotFound takenAwayMeanwhile) {
                connection.listensNoMore();
            }
        }
    }

    private float[] takeMeters() {
        List<String> keys = lights.keys();
        while (metered.meters().read(window)) {
            for (int at = 0; at < keys.size(); at++) {
                double value = lights.value(at, window);
                if (lights.isLevel(at)) {
                    needles.computeIfAbsent(keys.get(at), key -> new Ballistics())
                            .take(value);
                } else if (keys.get(at).startsWith("clip/")) {
                    clips.merge(keys.get(at), (int) value, Integer::sum);
                }
            }
        }
        needles.keySet().retainAll(keys);
        float[] values = new float[2 * keys.size()];
        for (int at = 0; at < keys.size(); at++) {
            Ballistics needle = needles.get(keys.get(at));
            if (lights.isLevel(at)) {
                values[2 * at] = needle == null ? Ballistics.FLOOR : needle.level();
                values[2 * at + 1] = needle == null ? Ballistics.FLOOR : needle.held();
            } else if (keys.get(at).startsWith("clip/")) {
                values[2 * at] = clips.getOrDefault(keys.get(at), 0);
            } else {
                values[2 * at] = (float) (20 * Math.log10(lights.value(at, window)));
            }
        }
        return values;
    }

    private List<LiveConnection> following(SessionId session) {
        return connections.values().stream()
                .filter(each -> each.session().equals(session))
                .toList();
    }

    private List<LiveConnection> atTheRig() {
        return connections.values().stream()
                .filter(each -> rig.isAtTheRig(each.session()))
                .toList();
    }

    private String hello(LiveConnection connection) {
        Session session = desk.session(connection.session());
        Map<String, Object> told = new LinkedHashMap<>();
        told.put("type", "hello");
        told.put("connection", connection.id());
        told.put("session", session);
        told.put("undo", desk.undoState(connection.session(), connection.person()));
        told.put("live", live(connection.session()));
        return Documents.write(told);
    }

    private String happening(SessionId session) {
        Map<String, Object> told = new LinkedHashMap<>();
        told.put("type", "live");
        told.put("live", live(session));
        return Documents.write(told);
    }

    /** What is happening; null for a session that is not at the rig. */
    private Object live(SessionId session) {
        try {
            return rig.happening(session);
        } catch (Refused notAtTheRig) {
            return null;
        }
    }
}
