package vividlantern.engine;

import java.util.List;
import vividlantern.mix.MixState;
import vividlantern.rig.Port;
import vividlantern.rig.Rig;

/** Looks now and then whether an input brings samples that are not numbers, which the mixer silences. */
final class InputWatch {

    private static final int LOOKS_UNTIL_FORGOTTEN = 10;

    private long silencedBefore;
    private int looksWithout;
    private String fault = "";

    /** Which input did since the looks before, in a sentence; "" if none has for some looks. */
    String look(MixState state, Rig rig) {
        List<Port> inputs = rig.engineInputs();
        long silenced = 0;
        String worst = "";
        int most = 0;
        for (int input = 0; input < inputs.size(); input++) {
            int here = state.silencedSamples(input);
            silenced += here;
            if (here > most) {
                most = here;
                worst = inputs.get(input).houseLabel();
            }
        }
        if (silenced > silencedBefore) {
            fault = worst + " sends samples that are not numbers, " + most
                    + " so far. They are silenced. Check its interface.";
            looksWithout = 0;
        } else if (++looksWithout > LOOKS_UNTIL_FORGOTTEN) {
            fault = "";
        }
        silencedBefore = silenced;
        return fault;
    }
}
