package vividlantern.bench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import vividlantern.patch.Fit;
import vividlantern.rig.Port;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.cue.CueId;

/** How long it takes to find places for a large session on a large rig. */
final class FitFigures {

    private static final int INPUTS = 128;
    private static final int PORTS = 256;
    private static final int CUES = 16;
    private static final int ROUNDS = 9;

    private FitFigures() {}

    static void print() {
        Rig rig = LargeMix.rig(PORTS, CUES);
        Session session = LargeMix.session(rig, 1, CUES);
        Map<InputId, List<String>> ports = new LinkedHashMap<>();
        for (int n = 1; n <= INPUTS; n++) {
            InputId id = new InputId("input-" + n);
            Input input = Input.of(id, n, "Source " + n).at(Port.Signal.LINE);
            session = session.plus(n % 8 == 0 ? input.widened(2) : input);
            ports.put(id, n % 3 == 0 ? List.of("in-" + (PORTS - n)) : List.of());
        }
        Map<CueId, String> pairs = new LinkedHashMap<>();
        session.cues().forEach(cue -> pairs.put(cue.id(), ""));
        List<Double> millis = new ArrayList<>();
        long placed = 0;
        for (int round = 0; round < ROUNDS; round++) {
            long begun = System.nanoTime();
            Fit.Fitted fitted = Fit.of(session, rig, new Fit.Wishes(ports, pairs));
            millis.add((System.nanoTime() - begun) / 1e6);
            placed = fitted.lines().stream().filter(Fit.FitLine::isPlaced).count();
        }
        Figures.say(
                "Fit: %d inputs on %d ports and %d cues, %d placed: %.0f ms (first), %.0f ms (median)",
                INPUTS,
                PORTS,
                CUES,
                placed,
                millis.get(0),
                millis.stream().sorted().toList().get(ROUNDS / 2));
    }
}
