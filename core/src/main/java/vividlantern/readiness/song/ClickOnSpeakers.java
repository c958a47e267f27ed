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
import vividlantern.session.edit.TrackEdit.SetFader;
import vividlantern.units.Decibels;

/** A click sounds on the speakers while tracks are armed. */
public final class ClickOnSpeakers implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        if (session.tracks().stream().noneMatch(session::isArmed)) {
            return List.of();
        }
        return session.tracks().stream()
                .filter(track ->
                        track.isClick() && !track.muted() && !track.fader().isOff())
                .filter(track -> Sums.reachesMain(session, track.id()))
                .map(ClickOnSpeakers::finding)
                .toList();
    }

    private static Finding finding(Track click) {
        return Finding.fixable(
                Keys.of("click-on-speakers", click.id()),
                click.name() + " sounds on the speakers while tracks are armed.",
                "It may be in the take, and stays in the mix.",
                Keys.about(click),
                "Turn it off there",
                List.of(new SetFader(click.id(), Decibels.OFF)));
    }
}
