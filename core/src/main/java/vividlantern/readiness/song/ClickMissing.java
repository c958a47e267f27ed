package vividlantern.readiness.song;

import java.util.ArrayList;
import java.util.List;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.PartKey;
import vividlantern.session.Session;
import vividlantern.session.Sums;
import vividlantern.session.Track;
import vividlantern.session.cue.Cue;
import vividlantern.session.edit.SongEdit.SetClick;
import vividlantern.session.song.ClickPattern;
import vividlantern.session.song.Marker;
import vividlantern.session.song.MarkerId;

/** A part that everybody plays to the click has none, or somebody does not hear it. */
public final class ClickMissing implements Rule {

    private static final String WHY = "Who does not hear it plays beside it.";

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        List<Marker> parts =
                session.markers().stream().filter(Marker::needsClick).toList();
        if (parts.isEmpty()) {
            return List.of();
        }
        List<Finding> found = new ArrayList<>();
        ClickPattern click = session.click();
        parts.stream()
                .filter(part -> click.countInOnly() || click.silentIn().contains(part.id()))
                .map(part -> silent(click, part))
                .forEach(found::add);
        String names = parts.get(0).name() + (parts.size() == 1 ? "" : " and " + (parts.size() - 1) + " more");
        session.cues().stream()
                .filter(cue -> cue.output().isPresent() && !cue.listeners().isEmpty() && !hearsClick(session, cue))
                .map(cue -> Finding.byHand(
                        Keys.of("click-missing", cue.id(), parts.get(0).id(), parts.size()),
                        names + (parts.size() == 1 ? " needs" : " need") + " a click, and cue " + cue.name()
                                + " has none.",
                        WHY,
                        List.of(PartKey.of(cue.id())),
                        "Raise it there under Click."))
                .forEach(found::add);
        return found;
    }

    private static Finding silent(ClickPattern click, Marker part) {
        List<MarkerId> others =
                click.silentIn().stream().filter(id -> !id.equals(part.id())).toList();
        ClickPattern sounding = new ClickPattern(
                click.countInBars(),
                click.voices(),
                false,
                click.stopsAfterBars(),
                others,
                click.whileStopped(),
                click.onlyArmed());
        return Finding.fixable(
                Keys.of("click-silent", part.id()),
                part.name() + " needs a click, and it is silent there.",
                WHY,
                List.of(PartKey.of(part.id())),
                "Let it sound there",
                List.of(new SetClick(sounding)));
    }

    private static boolean hearsClick(Session session, Cue cue) {
        return session.tracks().stream().filter(Track::isClick).anyMatch(track -> Sums.isSent(session, cue, track));
    }
}
