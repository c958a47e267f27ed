package vividlantern.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import vividlantern.format.Documents;
import vividlantern.format.RigDocument;
import vividlantern.rig.Device;
import vividlantern.rig.LatencyProfile;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.StereoPair;
import vividlantern.session.Feed;
import vividlantern.session.Hear;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** Many tracks into many stereo cues and the main mix, every send sounding. */
public final class LargeMix {

    private LargeMix() {}

    /** A rig with so many inputs, and a pair for the speakers and for each of so many cues. */
    public static Rig rig(int tracks, int cues) {
        List<Port> ports = new ArrayList<>();
        for (int n = 1; n <= tracks; n++) {
            ports.add(port("in-" + n, Port.Direction.IN, n));
        }
        List<StereoPair> pairs = new ArrayList<>();
        for (int pair = 0; pair <= cues; pair++) {
            Port left = port("out-" + (2 * pair + 1), Port.Direction.OUT, 2 * pair + 1);
            Port right = port("out-" + (2 * pair + 2), Port.Direction.OUT, 2 * pair + 2);
            ports.add(left);
            ports.add(right);
            pairs.add(new StereoPair(
                    new PairId("pair-" + pair),
                    "Pair " + pair,
                    left.id(),
                    right.id(),
                    pair == 0 ? StereoPair.Feeds.MAIN_SPEAKERS : StereoPair.Feeds.HEADPHONES));
        }
        Device box = new Device(
                "box",
                1,
                "Box",
                Device.Kind.INTERFACE,
                20,
                new LatencyProfile(33, 24, 24, 29),
                Device.Clock.LEADS,
                0,
                false,
                Optional.empty());
        return new Rig(new RigId("large"), 0, "Large", 20, List.of(box), ports, List.of(), pairs, List.of(), List.of());
    }

    static Session session(Rig rig, int tracks, int cues) {
        Session session =
                Session.blank(new SessionId("large"), "Large", "", rig.id(), Optional.of(new PairId("pair-0")));
        for (int n = 1; n <= tracks; n++) {
            session = session.plus(Track.forInputs(
                            new TrackId("track-" + n), n, "Track " + n, 1, List.of(Feed.from(new PortId("in-" + n))))
                    .heard(Hear.ALWAYS)
                    .panned(Pan.of(n % 9 / 4.5 - 0.9))
                    .faded(Decibels.of(-20 - n % 10)));
        }
        for (int n = 1; n <= cues; n++) {
            Cue cue = Cue.empty(new CueId("cue-" + n), n, "Cue " + n).outTo(Optional.of(new PairId("pair-" + n)));
            for (Track track : session.tracks()) {
                Decibels level = Decibels.of(-24 - (n + track.name().length()) % 12);
                cue = cue.withSend(track.id(), send -> send.at(level));
            }
            session = session.plus(cue);
        }
        return session;
    }

    /** Brings a rig and a session called "large" into a running program: inputs, some on tracks of their own, each in all cues. */
    public static void bring(Started running, int inputs, int many, int cues) throws Exception {
        String document = Documents.write(RigDocument.of(rig(inputs, cues)));
        running.post("/api/rigs", "{\"name\": \"Large\", \"document\": " + document + "}");
        running.post("/api/sessions", "{\"name\": \"Large\", \"rigId\": \"large\"}");
        List<String> edits = new ArrayList<>();
        List<String> tracks = new ArrayList<>();
        for (int n = 1; n <= inputs; n++) {
            edits.add("{\"kind\": \"add-input\", \"input\": \"input-" + n + "\", \"number\": " + n
                    + ", \"source\": \"Source " + n + "\"}");
            edits.add("{\"kind\": \"set-input-level\", \"input\": \"input-" + n + "\", \"level\": \"line\"}");
            edits.add("{\"kind\": \"patch-input\", \"input\": \"input-" + n + "\", \"ports\": [\"in-" + n + "\"]}");
            if (n > many) {
                continue;
            }
            tracks.add("\"track-" + n + "\"");
            edits.add("{\"kind\": \"add-track\", \"track\": \"track-" + n + "\", \"name\": \"Track " + n
                    + "\", \"width\": 1, \"feeds\": [{\"input\": \"input-" + n + "\", \"channel\": 0}]}");
            edits.add("{\"kind\": \"set-hear\", \"track\": \"track-" + n + "\", \"hear\": \"always\"}");
        }
        for (int n = 1; n <= cues; n++) {
            String cue = "\"cue\": \"cue-" + n + "\"";
            edits.add("{\"kind\": \"add-cue\", " + cue + ", \"name\": \"Cue " + n + "\"}");
            edits.add("{\"kind\": \"set-cue-output\", " + cue + ", \"output\": \"pair-" + n + "\"}");
            edits.add("{\"kind\": \"add-sends\", " + cue + ", \"tracks\": [" + String.join(",", tracks) + "]}");
        }
        running.post("/api/sessions/large/edits", "{\"edits\": [" + String.join(",", edits) + "]}");
    }

    /** The session with one send a little other than before. */
    static Session nudged(Session session, int step) {
        TrackId track = session.tracks().get(5).id();
        return session.change(
                new CueId("cue-1"),
                cue -> cue.withSend(track, send -> send.at(Decibels.of(-20 - Math.abs(step) % 20))));
    }

    private static Port port(String id, Port.Direction direction, int number) {
        return new Port(
                new PortId(id),
                "box",
                direction,
                number,
                id,
                id,
                Set.of(Port.Signal.LINE),
                false,
                "",
                0,
                Port.GainRange.NONE,
                false,
                false,
                Optional.empty());
    }
}
