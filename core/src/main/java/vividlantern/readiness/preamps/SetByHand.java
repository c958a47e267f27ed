package vividlantern.readiness.preamps;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vividlantern.hardware.PreampSetting;
import vividlantern.patch.FreePorts;
import vividlantern.preamp.Turned;
import vividlantern.preamp.WantedPreamps;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.PartKey;
import vividlantern.session.Session;

/** A preamp that only a hand can turn stands otherwise than wanted, as far as anybody has noted. */
public final class SetByHand implements Rule {

    private final List<Turned> notes;

    public SetByHand(List<Turned> notes) {
        this.notes = List.copyOf(notes);
    }

    @Override
    public String together(int count) {
        return count + " preamps are to be set by hand.";
    }

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        List<Finding> found = new ArrayList<>();
        WantedPreamps.byHand(session, rig).forEach((port, wanted) -> {
            Optional<Turned> note =
                    notes.stream().filter(each -> each.port().equals(port)).findFirst();
            Turned goal = new Turned(port, wanted.gainDb(), wanted.phantom());
            if (!note.equals(Optional.of(goal))) {
                found.add(finding(session, rig, rig.port(port).orElseThrow(), wanted, note));
            }
        });
        return found;
    }

    private static Finding finding(Session session, Rig rig, Port port, PreampSetting wanted, Optional<Turned> note) {
        String goal = words(port, wanted.gainDb(), wanted.phantom());
        String stands = note.map(last -> "It was last noted at " + words(port, last.gainDb(), last.phantom()) + ".")
                .orElse("Nobody has noted how it is set.");
        return Finding.toBeTurned(
                Keys.of("set-by-hand", port.id(), goal, stands),
                port.houseLabel() + " should be at " + goal + ". " + stands,
                "No program can turn it.",
                about(session, rig, port.id()),
                "Set it on the device, then press \"It is set now\".",
                new Turned(port.id(), wanted.gainDb(), wanted.phantom()));
    }

    private static String words(Port port, double gainDb, boolean phantom) {
        String gain = (gainDb == Math.rint(gainDb) ? String.valueOf((long) gainDb) : String.valueOf(gainDb)) + " dB";
        return port.phantom() ? gain + ", +48 V " + (phantom ? "on" : "off") : gain;
    }

    private static List<PartKey> about(Session session, Rig rig, PortId preamp) {
        return Keys.about(session.inputs().stream()
                .filter(input -> rig.preampsOf(input.ports()).stream()
                        .anyMatch(port -> port.id().equals(preamp)))
                .toArray(Input[]::new));
    }
}
