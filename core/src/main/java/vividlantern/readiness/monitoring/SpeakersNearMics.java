package vividlantern.readiness.monitoring;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.ControlRoom;
import vividlantern.session.ControlRoom.NearOpenMics;
import vividlantern.session.ControlRoom.SpeakerSet;
import vividlantern.session.Input;
import vividlantern.session.OpenMics;
import vividlantern.session.PartKey;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;
import vividlantern.session.edit.ControlRoomEdit.SetNearOpenMics;

/** Speakers play in a room where a mic is open, and nothing takes them down. */
public final class SpeakersNearMics implements Rule {

    private static final String WHY = "They are heard in the recording, and may feed back.";

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        List<Finding> found = new ArrayList<>();
        for (SpeakerSet which : SpeakerSet.values()) {
            ControlRoom.Speakers speakers = session.inControlRoom().speakers(which);
            boolean there = which == SpeakerSet.MAIN || rig.secondSpeakers().isPresent();
            if (there && speakers.nearOpenMics() == NearOpenMics.WARN) {
                List<Input> open = OpenMics.in(speakers.room(), session, rig);
                if (!open.isEmpty()) {
                    found.add(finding(which, speakers.room(), open));
                }
            }
        }
        for (Cue cue : session.cues()) {
            cue.outputs().stream()
                    .flatMap(pair -> rig.outputPair(pair).stream())
                    .filter(pair -> pair.feeds() == StereoPair.Feeds.ROOM_SPEAKER)
                    .flatMap(pair -> finding(session, rig, cue, pair).stream())
                    .forEach(found::add);
        }
        return found;
    }

    private static Finding finding(SpeakerSet which, String room, List<Input> open) {
        return Finding.fixable(
                Keys.of("speakers-near-mics", which, Keys.idsOf(open)),
                "The " + which.words() + " stand in the " + room + ", and " + OpenMics.words(open) + " open there.",
                WHY,
                open.stream().map(input -> PartKey.of(input.id())).toList(),
                "Dim them by themselves while a mic is open",
                List.of(new SetNearOpenMics(which, NearOpenMics.DIM)));
    }

    /** A speaker that plays a cue stands where those are who hear it. */
    private static Optional<Finding> finding(Session session, Rig rig, Cue cue, StereoPair pair) {
        List<Input> open = cue.listeners().stream()
                .flatMap(id -> session.find(id).stream())
                .map(performer -> OpenMics.roomIn(performer.place()))
                .distinct()
                .flatMap(room -> OpenMics.in(room, session, rig).stream())
                .distinct()
                .toList();
        if (open.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(Finding.byHand(
                Keys.of("speaker-near-mics", pair.id(), cue.id(), Keys.idsOf(open)),
                pair.houseLabel() + " plays cue " + cue.name() + ", and " + OpenMics.words(open) + " open near it.",
                WHY,
                List.of(PartKey.of(cue.id())),
                "Give those who hear it headphones, or turn the speaker down while a mic is open."));
    }
}
