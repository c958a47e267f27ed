package vividlantern.readiness.song;

import java.util.List;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.Sums;
import vividlantern.session.Track;

/** A backing track is in no cue, or has nothing to play. */
public final class BackingUnheard implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        return session.tracks().stream()
                .filter(Track::isBacking)
                .filter(track -> session.backing(track.id()).isEmpty() || isInNoCue(session, track))
                .map(track -> session.backing(track.id()).isEmpty() ? empty(track) : unheard(track))
                .toList();
    }

    private static boolean isInNoCue(Session session, Track track) {
        return session.cues().stream()
                .filter(cue -> cue.output().isPresent())
                .noneMatch(cue -> Sums.isSent(session, cue, track));
    }

    private static Finding empty(Track track) {
        return Finding.byHand(
                Keys.of("backing-empty", track.id()),
                track.name() + " has no sound to play.",
                "Who waits for it hears nothing.",
                Keys.about(track),
                "Give it a WAV file under Click, or remove it.");
    }

    private static Finding unheard(Track track) {
        return Finding.byHand(
                Keys.of("backing-unheard", track.id()),
                track.name() + " is in no cue.",
                "Nobody who plays hears it.",
                Keys.about(track),
                "Raise it under Click for those who play to it.");
    }
}
