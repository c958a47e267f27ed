package vividlantern.rig;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import vividlantern.units.PlainNumber;

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
        List<String> changes = new ArrayList<>();
        if (!renamed.equals(name)) {
            changes.add("becomes t" + renamed.substring(1));
        }
        changes.addAll(differences(traits(now, was.get()), traits(then, shown)));
        return changes.isEmpty() ? name + " moves to another place." : name + " " + String.join("; ", changes) + ".";
    }

    private static List<String> differences(Map<String, String> old, Map<String, String> now) {
        return old.keySet().stream()
                .filter(trait -> now.containsKey(trait) && !old.get(trait).equals(now.get(trait)))
                .map(trait -> "has " + trait + " " + now.get(trait) + ", before " + old.get(trait))
                .toList();
    }

    /** What a part is like besides its name, each thing in words. */
    private static Map<String, String> traits(Rig rig, RigPart part) {
        Map<String, String> traits = new LinkedHashMap<>();
        if (part instanceof RigSettings settings) {
            traits.put("a temperature of", PlainNumber.of(settings.celsius()) + " °C");
        } else if (part instanceof Device device) {
            traits.put("full scale at", PlainNumber.of(device.fullScaleDbu()) + " dBu");
            traits.put("a latency of", words(device.latency()));
            device.driver().ifPresent(driver -> traits.putAll(traits(driver)));
            traits.put("an amp of", device.amp().map(Amp::words).orElse("which nobody has told"));
            traits.put("its clock", device.clock().words() + drift(device));
        } else if (part instanceof Port port) {
            traits.put("level kinds", words(port.takes()));
            traits.put(
                    "+48 V", !port.phantom() ? "nowhere" : port.bank().isEmpty() ? "alone" : "in bank " + port.bank());
            traits.put("a pad of", PlainNumber.of(port.padDb()) + " dB");
            traits.put("gain", words(port.gain()));
            traits.put("gain set", port.remote() ? "by the program" : "by hand");
            traits.put("a link", port.link().map(RigComparison::words).orElse("none"));
            traits.put("its place", port.hidden() ? "hidden" : "shown");
        } else if (part instanceof StereoPair pair) {
            traits.put("left at", rig.label(pair.left()));
            traits.put("right at", rig.label(pair.right()));
            traits.put("behind it", pair.feeds().words());
        } else if (part instanceof WideGroup group) {
            traits.put(
                    "channels at",
                    group.ports().stream().map(port -> rig.label(port)).collect(Collectors.joining(", ")));
        } else if (part instanceof Mic mic) {
            traits.put("the kind", mic.kind().words());
            traits.put("a count of", String.valueOf(mic.count()));
            traits.put("a sensitivity of", PlainNumber.of(mic.sensitivityMvPa()) + " mV/Pa");
            traits.put("a connector", mic.connector().isEmpty() ? "unsaid" : mic.connector());
        }
        return traits;
    }

    private static Map<String, String> traits(Driver driver) {
        Map<String, String> traits = new LinkedHashMap<>();
        traits.put("sample rates", String.valueOf(driver.sampleRates()));
        traits.put("buffers", String.valueOf(driver.bufferFrames()));
        traits.put("direct monitoring", driver.directMonitoring() ? "there" : "not there");
        return traits;
    }

    private static String words(DigitalLink.Channel channel) {
        return channel.link().words() + " channel " + channel.number();
    }

    private static String drift(Device device) {
        return device.driftPpm() == 0 ? "" : " (" + PlainNumber.of(device.driftPpm()) + " ppm)";
    }

    private static String words(LatencyProfile latency) {
        return (latency.converterIn() + latency.driverIn()) + " frames in and "
                + (latency.driverOut() + latency.converterOut()) + " out";
    }

    private static String words(Set<Port.Signal> takes) {
        return takes.stream()
                .sorted()
                .map(signal -> signal.name().toLowerCase(Locale.ROOT))
                .collect(Collectors.joining(", "));
    }

    private static String words(Port.GainRange gain) {
        return gain.stepDb() == 0
                ? "none"
                : PlainNumber.of(gain.minDb()) + "…" + PlainNumber.of(gain.maxDb()) + " dB in steps of "
                        + PlainNumber.of(gain.stepDb()) + " dB";
    }

    private static String name(Rig rig, RigPart part) {
        if (part instanceof RigSettings settings) {
            return "The rig \"" + settings.name() + "\"";
        } else if (part instanceof Device device) {
            return "The device " + device.name();
        } else if (part instanceof Port port) {
            return "The port " + port.houseLabel() + " (" + port.panelName() + ")";
        } else if (part instanceof Tie tie) {
            return "The tie from " + rig.label(tie.from()) + " to " + rig.label(tie.to());
        } else if (part instanceof StereoPair pair) {
            return "The pair " + pair.houseLabel();
        } else if (part instanceof WideGroup group) {
            return "The group " + group.houseLabel();
        } else {
            return "The mic " + ((Mic) part).name();
        }
    }
}
