package vividlantern.rig;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What would change between two states of a rig, in words, a sentence for each thing. */
public final class RigComparison {

    private RigComparison() {}

    /** Sentences in the order of the parts; none if the two are alike. */
    public static List<String> words(Rig now, Rig then) {
        List<String> words = new ArrayList<>();
        Map<RigPartKey, RigPart> old = RigParts.OF_RIG.parts(now);
        RigParts.OF_RIG.changed(now, then).forEach((key, part) -> {
            Optional<RigPart> was = Optional.ofNullable(old.get(key));
            words.add(word(now, then, was, part));
        });
        return words;
    }

    private static String word(Rig now, Rig then, Optional<RigPart> was, Optional<RigPart> is) {
        RigPart shown = is.or(() -> was).orElseThrow();
        String name = name(was.isPresent() ? now : then, was.orElse(shown));
        if (is.isEmpty()) {
            return name + " goes.";
        }
        if (was.isEmpty()) {
            return name(then, shown) + " comes.";
        }
        if (shown instanceof Device device && device.retired() != ((Device) was.get()).retired()) {
            return name + (device.retired() ? " goes." : " comes.");
        }
        String renamed = name(then, shown);
        return renamed.equals(name) ? name + " is described differently." : name + " becomes " + renamed + ".";
    }

    private static String name(Rig rig, RigPart part) {
        if (part instanceof RigSettings settings) {
            return "The rig \"" + settings.name() + "\"";
        } else if (part instanceof Device device) {
            return "The device " + device.name();
        } else if (part instanceof Port port) {
            return "The port " + port.houseLabel() + " (" + port.panelName() + ")";
        } else if (part instanceof Tie tie) {
            return "The tie from " + label(rig, tie.from()) + " to " + label(rig, tie.to());
        } else if (part instanceof StereoPair pair) {
            return "The pair " + pair.houseLabel();
        } else {
            return "The mic " + ((Mic) part).name();
        }
    }

    private static String label(Rig rig, PortId id) {
        return rig.port(id).map(Port::houseLabel).orElse(id.value());
    }
}
