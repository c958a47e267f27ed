package vividlantern.server.desk;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.IntToDoubleFunction;
import org.springframework.stereotype.Component;
import vividlantern.engine.Incidents.Incident;
import vividlantern.engine.LoadTrial;
import vividlantern.mix.LiveState;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.cue.Cue;
import vividlantern.timing.BufferChoices;
import vividlantern.timing.MeasuredLatency;
import vividlantern.timing.Timing;

/** How late everybody hears themselves in a session, with what was measured of its rig. */
@Component
public class TimingDesk {

    /** What the mixer's load depends on, near enough: each number to about a fifth. */
    private record Size(long inputs, long tracks, long cues, long sends) {

        private static Size of(Session session, Rig rig) {
            int sends =
                    session.cues().stream().map(Cue::sends).mapToInt(List::size).sum();
            return new Size(
                    about(rig.engineInputs().size()),
                    about(session.tracks().size()),
                    about(session.cues().size()),
                    about(sends));
        }

        private static long about(int number) {
            return Math.round(4 * Math.log(number + 1.0) / Math.log(2));
        }
    }

    /** What was tried out of a session that is open. */
    private static final class Tried {
        private Size size;
        private volatile LoadTrial load = NOT_TRIED;

        /** Who asks for the same session meanwhile waits for the same trial. */
        private synchronized LoadTrial load(Session session, Rig rig) {
            Size now = Size.of(session, rig);
            if (!now.equals(size)) {
                load = LoadTrial.of(session, rig);
                size = now;
            }
            return load;
        }
    }

    private static final LoadTrial NOT_TRIED = new LoadTrial(0, 0);

    private final RigDesk rigs;
    private final Desk desk;
    private final Map<SessionId, Tried> tried = new ConcurrentHashMap<>();

    public TimingDesk(RigDesk rigs, Desk desk) {
        this.rigs = rigs;
        this.desk = desk;
    }

    public Timing timing(Session session, Rig rig, LiveState live) {
        return new Timing(session, rig, live, notReported(session, rig));
    }

    public double notReported(Session session, Rig rig) {
        return MeasuredLatency.notReported(rigs.measured(rig.id()), rig, session.sampleRate());
    }

    /** The buffers to choose from; how much time each would take is tried out, and known until the session has another size. */
    public BufferChoices buffers(Session session, Rig rig, Timing timing, List<Incident> incidents) {
        LoadTrial load = tried(session, rig);
        return BufferChoices.of(
                session,
                rig,
                timing,
                notReported(session, rig),
                buffer -> load.share(buffer, session.sampleRate()),
                incidents);
    }

    /** The share of its time that a block of so many frames would take, as it was tried out last; none before. Nobody waits for it. */
    public IntToDoubleFunction knownLoad(Session session) {
        Tried last = tried.get(session.id());
        LoadTrial load = last == null ? NOT_TRIED : last.load;
        return buffer -> load.share(buffer, session.sampleRate());
    }

    private LoadTrial tried(Session session, Rig rig) {
        tried.keySet().removeIf(id -> !desk.isOpen(id));
        return tried.computeIfAbsent(session.id(), id -> new Tried()).load(session, rig);
    }
}
