package vividlantern.template;

import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.session.DirectLevel;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.PartKey;
import vividlantern.session.PartKind;
import vividlantern.session.Parts;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;

/**
 * A named copy of a session's state to go back to, whole or in parts.
 *
 * @param byItself whether the program took it, before a large change
 */
public record Snapshot(SnapshotId id, String name, boolean byItself, Session session) {

    /** What is brought back. */
    public enum Scope {
        ALL,
        /** All cues with their sends, as far as the tracks and performers that they speak of are there. */
        CUES,
        /** Where inputs are plugged and what feeds tracks, of those that are there. */
        MAPPING,
        /** One cue. */
        CUE
    }

    public Snapshot {
        name = Texts.name(name, "A snapshot", "name");
    }

    /**
     * The session as it becomes.
     *
     * @param cue which cue, if the scope is one
     */
    public Session restoredIn(Session now, Scope scope, Optional<CueId> cue) {
        return switch (scope) {
            case ALL -> Parts.assemble(now.id(), now.revision(), Parts.OF_SESSION.parts(session));
            case CUES ->
                now.withCues(session.cues().stream()
                                .map(each -> fitting(each, now))
                                .toList())
                        .withDirect(session.direct())
                        .withoutLostDirect();
            case MAPPING -> mapped(now);
            case CUE ->
                withCue(
                        now,
                        cue.flatMap(session::find)
                                .orElseThrow(() -> new Refused("The snapshot has no such cue.", "cue")));
        };
    }

    /** Which parts a scope speaks of. */
    public Predicate<PartKey> speaksOf(Scope scope, Optional<CueId> cue) {
        return switch (scope) {
            case ALL -> key -> true;
            case CUES ->
                key -> key.kind() == PartKind.CUE || key.kind() == PartKind.SEND || key.kind() == PartKind.DIRECT;
            case MAPPING -> key -> key.kind() == PartKind.INPUT || key.kind() == PartKind.TRACK;
            case CUE ->
                key -> cue.filter(id -> key.equals(PartKey.of(id))
                                || (key.kind() == PartKind.SEND || key.kind() == PartKind.DIRECT)
                                        && key.cue().equals(id))
                        .isPresent();
        };
    }

    /** What it does, in the user's words. */
    public String words(Scope scope, Optional<CueId> cue) {
        String what = switch (scope) {
            case ALL -> "all of it";
            case CUES -> "all cues";
            case MAPPING -> "the mapping";
            case CUE -> "cue " + cue.flatMap(session::find).map(Cue::name).orElse("");
        };
        return "Snapshot " + name + ": " + what + " restored";
    }

    private Session withCue(Session now, Cue cue) {
        Cue fitting = fitting(cue, now);
        Session with = now.find(cue.id()).isPresent() ? now.change(cue.id(), each -> fitting) : now.plus(fitting);
        Stream<DirectLevel> others =
                now.direct().stream().filter(each -> !each.cue().equals(cue.id()));
        Stream<DirectLevel> own =
                session.direct().stream().filter(each -> each.cue().equals(cue.id()));
        return with.withDirect(Stream.concat(others, own).toList()).withoutLostDirect();
    }

    /** The cue without what speaks of things that are not there. */
    private static Cue fitting(Cue cue, Session now) {
        return cue.withSends(cue.sends().stream()
                        .filter(send -> now.find(send.trackId()).isPresent())
                        .toList())
                .heardBy(cue.listeners().stream()
                        .filter(performer -> now.find(performer).isPresent())
                        .toList());
    }

    private Session mapped(Session now) {
        Session mapped = now;
        for (Input was : session.inputs()) {
            if (now.find(was.id()).filter(input -> input.width() == was.width()).isPresent()) {
                mapped = mapped.change(was.id(), input -> input.patchedTo(was.ports()));
            }
        }
        for (Track was : session.tracks()) {
            boolean same = now.find(was.id())
                    .filter(track -> track.width() == was.width() && track.role() == was.role())
                    .isPresent();
            if (same && feedsAreThere(was.feeds(), now)) {
                mapped = mapped.change(was.id(), track -> track.fedBy(was.feeds()));
            }
        }
        return mapped;
    }

    private static boolean feedsAreThere(List<Feed> feeds, Session now) {
        return feeds.stream()
                .allMatch(feed -> feed.input().isEmpty()
                        || now.find(feed.input().get())
                                .filter(input -> feed.channel() < input.width())
                                .isPresent());
    }
}
