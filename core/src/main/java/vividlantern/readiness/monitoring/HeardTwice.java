package vividlantern.readiness.monitoring;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.PartKey;
import vividlantern.session.Session;
import vividlantern.session.Sums;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.Send;
import vividlantern.session.edit.SendEdit.MuteSend;

/** A cue hears the same sound twice: a wide track and what is split from it, or a track and a sum that it goes to. */
public final class HeardTwice implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        Map<TrackId, List<TrackId>> splits = new LinkedHashMap<>();
        for (Track track : session.tracks()) {
            track.splitFrom()
                    .ifPresent(wide -> splits.computeIfAbsent(wide, each -> new ArrayList<>())
                            .add(track.id()));
        }
        List<Finding> found = new ArrayList<>();
        for (Cue cue : session.cues()) {
            splits.forEach((wide, parts) -> session.find(wide)
                    .filter(track -> sounds(cue, wide) && parts.stream().anyMatch(part -> sounds(cue, part)))
                    .ifPresent(track -> found.add(bySplit(cue, track))));
            for (Track track : session.tracks()) {
                if (sounds(cue, track.id()) && Sums.isSent(session, cue.withoutSend(track.id()), track)) {
                    Sums.after(session, track.id()).stream()
                            .filter(sum -> sounds(cue, sum.id()))
                            .findFirst()
                            .ifPresent(sum -> found.add(bySum(cue, track, sum)));
                }
            }
        }
        return found;
    }

    @Override
    public String together(int count) {
        return "In " + count + " places a cue hears the same sound twice.";
    }

    public static boolean sounds(Cue cue, TrackId track) {
        return cue.send(track).filter(Send::isOn).isPresent();
    }

    private static Finding bySum(Cue cue, Track track, Track sum) {
        return finding(
                Keys.of("heard-twice", cue.id(), track.id(), sum.id()),
                track.name() + ", and once more by the sum " + sum.name() + ".",
                cue,
                track);
    }

    private static Finding bySplit(Cue cue, Track wide) {
        return finding(
                Keys.of("heard-twice", cue.id(), wide.id()), wide.name() + " and what is split from it.", cue, wide);
    }

    private static Finding finding(String key, String what, Cue cue, Track track) {
        return Finding.fixable(
                        key,
                        "Cue " + cue.name() + " hears " + what,
                        "The same sound twice is +6.0 dB at one level.",
                        List.of(PartKey.of(cue.id()), PartKey.of(track.id())),
                        "Mute " + track.name() + " there",
                        List.of(new MuteSend(cue.id(), track.id(), true)))
                .likeOthers("Mute all of them there");
    }
}
