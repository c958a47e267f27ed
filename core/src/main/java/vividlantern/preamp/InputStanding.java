package vividlantern.preamp;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import vividlantern.hardware.PreampSetting;
import vividlantern.patch.InputTracks;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.units.PlainNumber;

/**
 * What is true of an input just now and stands in no field of it.
 *
 * @param tracks the tracks it feeds, in words; "" if none
 * @param place where among the tracks it is, if it is all there
 * @param gain what is to be known beside the gain that is wanted: "by hand", "is 28"; "" if the preamp stands so
 * @param phantomHarms why it should get no +48 V, in a sentence; "" if nothing speaks against it
 * @param silent whether nobody hears it, since a switch is being thrown at its preamp
 */
public record InputStanding(
        InputId input,
        String tracks,
        Optional<InputTracks.TrackPlace> place,
        String gain,
        boolean silent,
        String phantomHarms) {

    /**
     * How all inputs stand.
     *
     * @param stands how the preamps stand, as far as the devices tell
     * @param switching the preamps at which a switch is being thrown
     */
    public static List<InputStanding> of(
            Session session, Rig rig, Map<PortId, PreampSetting> stands, Set<PortId> switching) {
        List<InputTracks.TrackPlace> places = InputTracks.places(session);
        return session.inputs().stream()
                .map(input -> {
                    List<Port> preamps = rig.preampsOf(input.ports());
                    return new InputStanding(
                            input.id(),
                            String.join(", ", InputTracks.names(session, input)),
                            InputTracks.placeOf(session, input, places),
                            gain(input, preamps, stands),
                            preamps.stream().map(Port::id).anyMatch(switching::contains),
                            phantomHarms(rig, input));
                })
                .toList();
    }

    private static String phantomHarms(Rig rig, Input input) {
        return rig.isHarmedByPhantom(input.mic())
                ? "+48 V can tear its ribbon."
                : input.phantom() == PhantomWish.NEVER ? "The list says that it never gets any." : "";
    }

    private static String gain(Input input, List<Port> preamps, Map<PortId, PreampSetting> stands) {
        if (preamps.stream().anyMatch(preamp -> !preamp.remote())) {
            return "by hand";
        }
        return preamps.stream()
                .map(preamp -> stands.get(preamp.id()))
                .filter(Objects::nonNull)
                .filter(setting ->
                        input.gainDb().filter(gain -> gain != setting.gainDb()).isPresent())
                .findFirst()
                .map(setting -> "is " + PlainNumber.of(setting.gainDb()))
                .orElse("");
    }
}
