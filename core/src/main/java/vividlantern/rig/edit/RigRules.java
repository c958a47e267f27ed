package vividlantern.rig.edit;

import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import vividlantern.history.Refused;
import vividlantern.rig.Device;
import vividlantern.rig.DigitalLink;
import vividlantern.rig.GroupId;
import vividlantern.rig.LatencyProfile;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPart;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.RigParts;
import vividlantern.rig.StereoPair;
import vividlantern.rig.WideGroup;

/** What every edit of a rig asks of its fields, and how parts are called when it speaks of them. */
final class RigRules {

    private static final int LONGEST_TEXT = 400;
    private static final int MOST_FRAMES = 100_000;
    private static final Pattern ID = Pattern.compile("[a-z0-9][a-z0-9-]{0,39}");

    private RigRules() {}

    static Device device(Rig rig, String id) {
        return rig.devices().stream()
                .filter(device -> device.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new Refused("There is no device '" + id + "' in " + rig.name() + ".", "device"));
    }

    static Port port(Rig rig, PortId id, String field) {
        return rig.port(id)
                .orElseThrow(() -> new Refused("There is no port '" + id + "' in " + rig.name() + ".", field));
    }

    static StereoPair pair(Rig rig, PairId id) {
        return rig.pair(id)
                .orElseThrow(() -> new Refused("There is no pair '" + id + "' in " + rig.name() + ".", "pair"));
    }

    static WideGroup group(Rig rig, GroupId id) {
        return rig.group(id)
                .orElseThrow(() -> new Refused("There is no group '" + id + "' in " + rig.name() + ".", "group"));
    }

    static String name(Rig rig, PortId id) {
        return rig.port(id).map(Port::houseLabel).orElse(id.value());
    }

    static String name(Rig rig, PairId id) {
        return rig.pair(id).map(StereoPair::houseLabel).orElse(id.value());
    }

    static void newId(String id, boolean taken, String field) {
        if (!ID.matcher(id).matches()) {
            throw new Refused("An id has 1 to 40 small letters, digits and hyphens; '" + id + "' has not.", field);
        }
        if (taken) {
            throw new Refused("The id '" + id + "' is taken.", field);
        }
    }

    /** A name: something must stand there. */
    static String text(String text, String owner, String field) {
        String stripped = text.strip();
        if (stripped.isEmpty()) {
            throw new Refused(owner + " needs a name.", field);
        }
        if (stripped.length() > LONGEST_TEXT) {
            throw new Refused("A name has at most " + LONGEST_TEXT + " characters.", field);
        }
        return stripped;
    }

    static double within(double value, double least, double most, String what, String field) {
        if (!(value >= least && value <= most)) {
            throw new Refused(
                    what + " lies between " + plain(least) + " and " + plain(most) + "; " + plain(value) + " does not.",
                    field);
        }
        return value;
    }

    static void latency(LatencyProfile latency) {
        boolean unlikely = IntStream.of(
                        latency.converterIn(), latency.driverIn(), latency.driverOut(), latency.converterOut())
                .anyMatch(frames -> frames < 0 || frames > MOST_FRAMES);
        if (unlikely) {
            throw new Refused("A latency is a number of frames from 0 to " + MOST_FRAMES + ".", "latency");
        }
    }

    /** What a port takes, its pad and its gain. */
    static void abilities(Set<Port.Signal> takes, double padDb, Port.GainRange gain) {
        if (takes.isEmpty()) {
            throw new Refused("A port takes something: mic, line, instrument or digital.", "takes");
        }
        within(padDb, 0, 60, "A pad in dB", "padDb");
        if (gain.stepDb() < 0 || gain.maxDb() < gain.minDb() || gain.minDb() < -40 || gain.maxDb() > 100) {
            throw new Refused("A gain runs from less to more, between -40 and 100 dB, in steps above 0.", "gain");
        }
    }

    static void channel(DigitalLink.Channel channel) {
        if (channel.number() < 1 || channel.number() > channel.link().channels()) {
            throw new Refused(
                    "A link of the kind " + channel.link().words() + " has channels 1 to "
                            + channel.link().channels() + ".",
                    "link");
        }
    }

    private static String plain(double value) {
        return value == Math.rint(value) ? String.valueOf((long) value) : String.valueOf(value);
    }

    static Rig with(Rig rig, RigPartKey key, RigPart part) {
        return RigParts.OF_RIG.replace(rig, Map.of(key, Optional.of(part)));
    }

    static Rig without(Rig rig, RigPartKey key) {
        return RigParts.OF_RIG.replace(rig, Map.of(key, Optional.empty()));
    }
}
