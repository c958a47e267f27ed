package vividlantern.session.edit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackGroup.Link;
import vividlantern.session.TrackId;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.SendEdit.SetSendLevel;
import vividlantern.session.edit.TrackEdit.ArmTrack;
import vividlantern.session.edit.TrackEdit.MuteTrack;
import vividlantern.session.edit.TrackEdit.SetFader;
import vividlantern.session.edit.TrackEdit.SetHear;
import vividlantern.session.edit.TrackEdit.SoloTrack;
import vividlantern.units.Decibels;

/**
 * What an edit of one track becomes when its groups act: the same for all tracks that share it. Levels move by the same number
 * of dB, so far that the first of them reaches an end of the range, and keep their distances; what is off stays off, and turning
 * one off or up from off moves no other. A track that is edited by itself follows no group in the same request.
 */
public final class Grouped {

    /** One thing that a track has, as far as groups link it. */
    private record Linked(Link link, Optional<CueId> cue, TrackId track) {

        private Linked of(TrackId other) {
            return new Linked(link, cue, other);
        }
    }

    private final Session session;
    private final Set<Linked> moved = new HashSet<>();
    private final List<Edit> all = new ArrayList<>();

    private Grouped(Session session) {
        this.session = session;
    }

    /** The edits with what they do to others of the tracks' groups. */
    public static List<Edit> all(List<Edit> edits, Session session) {
        if (session.groups().isEmpty()) {
            return edits;
        }
        Grouped grouped = new Grouped(session);
        edits.stream().flatMap(edit -> linked(edit).stream()).forEach(grouped.moved::add);
        edits.forEach(grouped::add);
        return grouped.all;
    }

    private static Optional<Linked> linked(Edit edit) {
        if (edit instanceof ArmTrack arm) {
            return Optional.of(new Linked(Link.ARM, Optional.empty(), arm.track()));
        } else if (edit instanceof SetHear hear) {
            return Optional.of(new Linked(Link.HEAR, Optional.empty(), hear.track()));
        } else if (edit instanceof MuteTrack mute) {
            return Optional.of(new Linked(Link.MUTE, Optional.empty(), mute.track()));
        } else if (edit instanceof SoloTrack solo) {
            return Optional.of(new Linked(Link.SOLO, Optional.empty(), solo.track()));
        } else if (edit instanceof SetFader fader) {
            return Optional.of(new Linked(Link.LEVEL, Optional.empty(), fader.track()));
        } else if (edit instanceof SetSendLevel send) {
            return Optional.of(new Linked(Link.SENDS, Optional.of(send.cue()), send.track()));
        }
        return Optional.empty();
    }

    private void add(Edit edit) {
        List<Track> others = linked(edit).map(this::followers).orElse(List.of());
        if (others.isEmpty()) {
            all.add(edit);
        } else if (edit instanceof ArmTrack arm) {
            all.add(edit);
            others.stream()
                    .filter(other -> other.isRecorded() || other.isClick())
                    .forEach(other -> all.add(new ArmTrack(other.id(), arm.armed())));
        } else if (edit instanceof SetHear hear) {
            all.add(edit);
            others.stream()
                    .filter(other -> !other.isBacking() && !other.gathers())
                    .forEach(other -> all.add(new SetHear(other.id(), hear.hear())));
        } else if (edit instanceof MuteTrack mute) {
            all.add(edit);
            others.forEach(other -> all.add(new MuteTrack(other.id(), mute.muted())));
        } else if (edit instanceof SoloTrack solo) {
            all.add(edit);
            others.forEach(other -> all.add(new SoloTrack(other.id(), solo.soloed())));
        } else if (edit instanceof SetFader fader) {
            move(fader.track(), fader.level(), others, id -> fader(id), SetFader::new, edit);
        } else if (edit instanceof SetSendLevel send) {
            move(
                    send.track(),
                    send.level(),
                    others,
                    id -> level(send.cue(), id),
                    (id, level) -> new SetSendLevel(send.cue(), id, level),
                    edit);
        }
    }

    /** The tracks that follow an edit, none of which was moved before. */
    private List<Track> followers(Linked edited) {
        return session.groups().stream()
                .filter(group -> group.links(edited.link(), edited.track()))
                .flatMap(group -> group.tracks().stream())
                .distinct()
                .filter(id -> moved.add(edited.of(id)))
                .flatMap(id -> session.find(id).stream())
                .toList();
    }

    private Decibels fader(TrackId id) {
        return session.find(id).map(Track::fader).orElse(Decibels.OFF);
    }

    private Decibels level(CueId cue, TrackId id) {
        return session.find(cue)
                .flatMap(found -> found.send(id))
                .map(send -> send.level())
                .orElse(Decibels.OFF);
    }

    private interface Setting {
        Edit to(TrackId track, Decibels level);
    }

    private void move(
            TrackId track,
            Decibels wanted,
            List<Track> others,
            Function<TrackId, Decibels> level,
            Setting setting,
            Edit edit) {
        Decibels before = level.apply(track);
        if (before.isOff() || wanted.isOff() || !wanted.isOnFader()) {
            all.add(edit);
            return;
        }
        List<TrackId> moving = Stream.concat(Stream.of(track), others.stream().map(Track::id))
                .filter(id -> !level.apply(id).isOff())
                .toList();
        double by = Raised.asFarAsAllGo(
                wanted.toFaderStep().value() - before.value(),
                moving.stream().map(level).toList());
        for (TrackId id : moving) {
            all.add(setting.to(id, Decibels.of(level.apply(id).value() + by)));
        }
    }
}
