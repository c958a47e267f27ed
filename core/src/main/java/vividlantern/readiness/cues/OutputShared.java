package vividlantern.readiness.cues;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.PartKey;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;

/** Several cues leave by one pair. */
public final class OutputShared implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        Map<PairId, List<Cue>> byPair = new LinkedHashMap<>();
        session.cues()
                .forEach(cue -> cue.outputs()
                        .forEach(pair -> byPair.computeIfAbsent(pair, key -> new ArrayList<>())
                                .add(cue)));
        return byPair.entrySet().stream()
                .filter(each -> each.getValue().size() > 1)
                .map(each -> finding(each.getKey(), each.getValue(), rig))
                .toList();
    }

    private static Finding finding(PairId pair, List<Cue> cues, Rig rig) {
        String label = rig.pair(pair).map(StereoPair::houseLabel).orElse(pair.value());
        List<CueId> ids = cues.stream().map(Cue::id).toList();
        return Finding.byHand(
                Keys.of("output-shared", pair, ids),
                "Cues " + cues.stream().map(Cue::name).collect(Collectors.joining(" and ")) + " leave by " + label
                        + ".",
                "Whoever listens there hears all of them.",
                ids.stream().map(PartKey::of).toList(),
                "Give each an output pair of its own under Cues.");
    }
}
