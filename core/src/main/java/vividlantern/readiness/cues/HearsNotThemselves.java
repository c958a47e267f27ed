package vividlantern.readiness.cues;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.PartKey;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.Sums;
import vividlantern.session.Track;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.Send;

/** A cue in which nothing is raised, or in which somebody who listens to it is not. */
public final class HearsNotThemselves implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        return session.cues().stream()
                .filter(cue -> cue.output().isPresent() && !cue.listeners().isEmpty())
                .flatMap(cue -> cue.sends().stream().anyMatch(Send::isOn)
                        ? withoutThemselves(session, cue)
                        : Stream.of(silent(cue)))
                .toList();
    }

    private static Finding silent(Cue cue) {
        return Finding.byHand(
                Keys.of("cue-silent", cue.id()),
                "Nothing is raised in cue " + cue.name() + ".",
                "Who listens to it hears nobody.",
                List.of(PartKey.of(cue.id())),
                "Raise what they need under Cues, or start from main there.");
    }

    private static Stream<Finding> withoutThemselves(Session session, Cue cue) {
        return cue.listeners().stream()
                .flatMap(id -> session.find(id).stream())
                .filter(performer -> isRecorded(session, performer) && !hear(session, cue, performer))
                .map(performer -> Finding.byHand(
                        Keys.of("hears-not-themselves", cue.id(), performer.id()),
                        performer.name() + " is not in cue " + cue.name() + ", which they listen to.",
                        "Who does not hear themselves plays and sings out of tune.",
                        List.of(PartKey.of(cue.id()), PartKey.of(performer.id())),
                        "Raise them there under Cues."));
    }

    private static boolean isRecorded(Session session, Performer performer) {
        return session.tracks().stream().anyMatch(track -> isOf(session, track, performer.id()));
    }

    /** By the engine or past it. */
    private static boolean hear(Session session, Cue cue, Performer performer) {
        boolean direct = session.direct().stream()
                .filter(each -> each.cue().equals(cue.id()) && !each.level().isOff())
                .anyMatch(each ->
                        session.find(each.input()).flatMap(Input::performer).equals(Optional.of(performer.id())));
        return direct
                || session.tracks().stream()
                        .filter(track -> isOf(session, track, performer.id()))
                        .anyMatch(track -> Sums.isSent(session, cue, track));
    }

    private static boolean isOf(Session session, Track track, PerformerId performer) {
        List<Feed> feeds = track.feeds();
        return feeds.stream()
                .flatMap(feed -> session.inputOf(feed).stream())
                .anyMatch(input -> input.performer().equals(Optional.of(performer)));
    }

    @Override
    public String together(int count) {
        return "In " + count + " places performers do not hear themselves, or anything.";
    }
}
