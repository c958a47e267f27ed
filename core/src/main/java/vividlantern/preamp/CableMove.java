package vividlantern.preamp;

import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import vividlantern.basics.Refused;
import vividlantern.hardware.PreampSetting;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.PatchInput;

/** Patches an input elsewhere, and says when its cable may be moved: one that carries +48 V is not pulled. */
public final class CableMove {

    /**
     * A way to another port.
     *
     * @param say when the cable may be moved; "" if at once
     */
    public record MovedCable(String say, List<Edit> edits) {}

    private CableMove() {}

    /**
     * The edit that patches an input to ports, and what to mind.
     *
     * @param stands how the preamps stand, as far as the devices tell
     */
    public static MovedCable of(
            Session session, Rig rig, InputId id, List<PortId> ports, Map<PortId, PreampSetting> stands) {
        Input input = session.find(id)
                .orElseThrow(() -> new Refused("There is no input '" + id + "' in this session.", "input"));
        Edit patch = new PatchInput(id, ports);
        Session after = Edit.applyAll(List.of(patch), session, rig);
        List<PortId> powered = rig.preampsOf(input.ports()).stream()
                .map(Port::id)
                .filter(preamp ->
                        stands.containsKey(preamp) && stands.get(preamp).phantom())
                .toList();
        if (powered.isEmpty() || input.ports().equals(ports)) {
            return new MovedCable("", List.of(patch));
        }
        SortedMap<PortId, PreampSetting> wanted = WantedPreamps.of(after, rig);
        boolean goesOff = powered.stream()
                .anyMatch(preamp ->
                        wanted.containsKey(preamp) && !wanted.get(preamp).phantom());
        String label = rig.labels(input.ports());
        return new MovedCable(
                goesOff
                        ? "+48 V goes off at " + label + " first. Wait until \"silent\" is gone, then move the cable."
                        : label + " keeps its +48 V for others. Move the cable of " + input.source()
                                + " while it is cut.",
                List.of(patch));
    }
}
