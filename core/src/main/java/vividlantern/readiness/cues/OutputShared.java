package vividlantern.readiness.cues;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.PartKey;
import vividlantern.session.PartNames;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackWay;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.WayEdit.SendOut;

/** Several cues leave by one pair, or tracks are sent out by the pair of a cue. */
public final class OutputShared implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        Map<PairId, List<Cue>> byPair = new LinkedHashMap<>();
        session.cues()
                .forEach(cue -> cue.outputs()
                        .forEach(pair -> byPair.computeIfAbsent(pair, key -> new ArrayList<>())
                                .add(cue)));
        List<Finding> found = new ArrayList<>();
        byPair.forEach((pair, cues) -> {
            if (cues.size() > 1) {
                found.add(finding(pair, cues, rig));
            }
        });
        for (Track track : session.tracks()) {
            for (TrackWay.Out out : session.wayOf(track.id()).outs()) {
                if (byPair.containsKey(out.pair())) {
                    found.add(finding(session, rig, track, out, byPair.get(out.pair())));
                }
            }
        }
        return found;
    }

    private static Finding finding(Session session, Rig rig, Track track, TrackWay.Out out, List<Cue> cues) {
        return Finding.fixable(
                Keys.of("sent-into-a-cue", track.id(), out.pair(), out.side()),
                track.name() + " is sent out by " + new PartNames(session, rig).outputs(out) + ", where cue "
                        + names(cues) + " leaves.",
                "Whoever listens there hears it beside the cue, and the cue does not show it.",
                Stream.concat(Keys.about(track).stream(), cues.stream().map(cue -> PartKey.of(cue.id())))
                        .toList(),
                "Send nothing out there",
                List.of(SendOut.off(track.id(), out)));
    }

    private static String names(List<Cue> cues) {
        return cues.stream().map(Cue::name).collect(Collectors.joining(" and "));
    }

    private static Finding finding(PairId pair, List<Cue> cues, Rig rig) {
        String label = rig.pair(pair).map(StereoPair::houseLabel).orElse(pair.value());
        List<CueId> ids = cues.stream().map(Cue::id).toList();
        return Finding.byHand(
                Keys.of("output-shared", pair, ids),
                "Cues " + names(cues) + " leave by " + label + ".",
                "Whoever listens there hears all of them.",
                ids.stream().map(PartKey::of).toList(),
                "Give each an output pair of its own under Cues.");
    }
}
