package vividlantern.mix;

import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import vividlantern.basics.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.ControlRoom.TalkbackMic;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;

/**
 * To whom the control room talks just now. It changes no session and is lost with the engine.
 *
 * @param all to everybody, whatever cues there are
 * @param cues to those who hear these; empty if to all or to nobody
 */
public record Talk(boolean all, Set<CueId> cues) {

    public static final Talk TO_NOBODY = new Talk(false, Set.of());
    public static final Talk TO_ALL = new Talk(true, Set.of());

    public Talk {
        cues = Set.copyOf(cues);
    }

    public static Talk to(Set<CueId> cues) {
        return new Talk(false, cues);
    }

    public boolean isOn() {
        return all || !cues.isEmpty();
    }

    public boolean reaches(CueId cue) {
        return all || cues.contains(cue);
    }

    /** What of it a session still has. */
    public Talk among(Session session) {
        if (session.inControlRoom().talkback().isEmpty()) {
            return TO_NOBODY;
        }
        return all
                ? this
                : to(cues.stream().filter(cue -> session.find(cue).isPresent()).collect(Collectors.toSet()));
    }

    /** Why nobody could hear what is said; "" if somebody can. */
    static String unheard(Session session, Rig rig) {
        Optional<TalkbackMic> mic = session.inControlRoom().talkback();
        if (mic.isEmpty()) {
            return "There is no talkback mic yet. Choose its port at Monitoring, under Set up.";
        }
        if (rig.engineInput(mic.get().port(), session.sampleRate()).isEmpty()) {
            return rig.label(mic.get().port()) + " does not reach the engine, so nobody would hear you.";
        }
        return session.cues().stream().anyMatch(cue -> isHeard(cue, rig))
                ? ""
                : "No cue leaves by an output pair, so nobody would hear you.";
    }

    static boolean isHeard(Cue cue, Rig rig) {
        return cue.output().flatMap(rig::outputPair).filter(rig::isDriven).isPresent();
    }

    /** @throws Refused if somebody it is for would not hear it */
    public void require(Session session, Rig rig) {
        String unheard = unheard(session, rig);
        if (!unheard.isEmpty()) {
            throw new Refused(unheard, "to");
        }
        for (CueId id : cues) {
            Cue cue = session.find(id)
                    .orElseThrow(() -> new Refused("There is no cue '" + id + "' in this session.", "to"));
            if (!isHeard(cue, rig)) {
                throw new Refused("Cue " + cue.name() + " leaves by no output pair, so nobody would hear you.", "to");
            }
        }
    }
}
