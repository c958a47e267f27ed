package vividlantern.readiness.cues;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.PartKey;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.Send;
import vividlantern.session.cue.Tap;
import vividlantern.session.edit.CueEdit.LinkCueLevel;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.SendEdit.SetSendPan;
import vividlantern.session.edit.SendEdit.SetSendTap;

/** What the control room does to a track reaches somebody's headphones. */
public final class SendFollowsSpeakers implements Rule {

    private static final String WHY = "A fader, mute or pan moved in the control room is heard in the headphones.";

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        Stream<Finding> sends = session.cues().stream()
                .flatMap(cue -> cue.sends().stream()
                        .filter(send -> send.isOn() && session.followsTheSpeakers(send))
                        .flatMap(
                                send -> session.find(send.trackId()).stream().map(track -> finding(cue, track, send))));
        Stream<Finding> linked =
                session.cues().stream().filter(Cue::linkedToMain).map(SendFollowsSpeakers::finding);
        return Stream.concat(sends, linked).toList();
    }

    private static Finding finding(Cue linked) {
        return Finding.fixable(
                Keys.of("cue-linked", linked.id()),
                "Cue " + linked.name() + " is linked to the main level.",
                WHY,
                List.of(PartKey.of(linked.id())),
                "Give it a level of its own",
                List.of(new LinkCueLevel(linked.id(), false)));
    }

    private static Finding ofASum(Cue cue, Track sum) {
        return Finding.byHand(
                Keys.of("send-follows-sum", cue.id(), sum.id()),
                "Cue " + cue.name() + " hears the " + (sum.isSum() ? "sum " : "return ") + sum.name()
                        + ", behind its tracks' faders.",
                WHY,
                List.of(PartKey.of(cue.id()), PartKey.of(sum.id())),
                "Send its tracks to the cue under Cues instead, or say that it is on purpose.");
    }

    private static Finding finding(Cue cue, Track track, Send send) {
        if (track.gathers()) {
            return ofASum(cue, track);
        }
        List<Edit> edits = new ArrayList<>();
        if (send.tap() == Tap.POST_FADER) {
            edits.add(new SetSendTap(cue.id(), track.id(), Tap.PRE_FADER));
        }
        if (send.panAsMain()) {
            edits.add(new SetSendPan(cue.id(), track.id(), track.pan()));
        }
        return Finding.fixable(
                        Keys.of("send-follows", cue.id(), track.id(), send.tap(), send.panAsMain()),
                        track.name() + " in cue " + cue.name() + " follows the speakers.",
                        WHY,
                        List.of(PartKey.of(cue.id()), PartKey.of(track.id())),
                        "Make it independent",
                        edits)
                .likeOthers("Make all independent");
    }

    @Override
    public String together(int count) {
        return count + " sends follow the speakers.";
    }
}
