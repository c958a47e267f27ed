package vividlantern.preamp;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import vividlantern.basics.Refused;
import vividlantern.hardware.PreampSetting;
import vividlantern.patch.Ports;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.InputEdit.SetInputGain;

/**
 * Moves an input whose channel is dead to a free port that fits, while the others play on: its gain goes all the way down
 * first, and nobody else's preamp changes. Track, sends and takes stay, since they follow the input.
 */
public final class ToASpare {

    /**
     * Where an input can go.
     *
     * @param edits what moves it there, to be taken back in one step
     */
    public record Move(List<PortId> ports, String houseLabel, List<Edit> edits) {}

    private ToASpare() {}

    /**
     * The best spare: on the same device if there is one, else the first of the rig.
     *
     * @throws Refused if no free port takes what the input gives, with +48 V if it wants that
     */
    public static Move of(Session session, Rig rig, InputId id) {
        Input input = session.find(id)
                .orElseThrow(() -> new Refused("There is no input '" + id + "' in this session.", "input"));
        List<String> devices = input.ports().stream()
                .flatMap(port -> rig.port(port).stream())
                .map(Port::device)
                .toList();
        return Ports.freePlaces(session, rig, input.width()).stream()
                .filter(ports -> Ports.fit(rig, ports, input))
                .sorted(Comparator.comparing(ports ->
                        !devices.contains(rig.port(ports.get(0)).orElseThrow().device())))
                .map(ports -> move(rig, input, ports))
                .filter(move -> leavesTheOthersAlone(session, rig, input, move))
                .findFirst()
                .orElseThrow(() -> new Refused(
                        "No free port takes \"" + input.source() + "\" without switching something for others. Free one"
                                + " first, or patch it by hand.",
                        "input"));
    }

    private static Move move(Rig rig, Input input, List<PortId> ports) {
        List<Edit> edits = new ArrayList<>();
        rig.preampsOf(ports).stream()
                .map(preamp -> preamp.gain().minDb())
                .min(Comparator.naturalOrder())
                .filter(least -> input.gainDb().filter(gain -> least < gain).isPresent())
                .ifPresent(least -> edits.add(new SetInputGain(input.id(), least)));
        edits.add(new PatchInput(input.id(), ports));
        return new Move(ports, rig.labels(ports), List.copyOf(edits));
    }

    /** Whether every preamp that another input uses stands after the move as it did before, and this one gets its +48 V. */
    private static boolean leavesTheOthersAlone(Session session, Rig rig, Input input, Move move) {
        Session moved = Edit.applyAll(move.edits(), session, rig);
        SortedMap<PortId, PreampSetting> before = WantedPreamps.of(session, rig);
        Map<PortId, PreampSetting> after = WantedPreamps.of(moved, rig);
        boolean others = session.inputs().stream()
                .filter(each -> !each.id().equals(input.id()))
                .flatMap(each -> rig.preampsOf(each.ports()).stream())
                .map(Port::id)
                .filter(before::containsKey)
                .allMatch(port -> before.get(port).equals(after.get(port)));
        boolean wantsPower = input.phantom() == PhantomWish.ON;
        boolean powered = move.ports().stream()
                .allMatch(port -> rig.preampFor(port)
                        .map(Port::id)
                        .map(after::get)
                        .map(setting -> setting.phantom() == wantsPower)
                        .orElse(!wantsPower));
        return others && (powered || input.phantom() == PhantomWish.OFF);
    }
}
