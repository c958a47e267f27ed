package vividlantern.rig;

import java.util.Optional;
import java.util.Set;

/**
 * A socket one plugs a cable into, or a channel of a digital link.
 *
 * @param panelName what the maker printed at it
 * @param houseLabel what this studio calls it; shown first wherever the port is offered
 * @param bank ports of one device with the same bank share one +48 V switch; "" where each has its own or none
 * @param padDb by how much its pad makes a signal quieter, 0 where it has none
 * @param remote whether a program can set its gain and +48 V, or only a hand at its front
 * @param link which channel of a digital link it is; empty for an analog socket
 */
public record Port(
        PortId id,
        String device,
        Direction direction,
        int number,
        String panelName,
        String houseLabel,
        Set<Signal> takes,
        boolean phantom,
        String bank,
        double padDb,
        GainRange gain,
        boolean remote,
        boolean hidden,
        Optional<DigitalLink.Channel> link)
        implements RigPart {

    public enum Direction {
        IN,
        OUT
    }

    public enum Signal {
        MIC,
        LINE,
        INSTRUMENT,
        DIGITAL
    }

    /** A preamp's gain in dB: what it can be set to and in which steps; all zero where there is none. */
    public record GainRange(double minDb, double maxDb, double stepDb) {

        public static final GainRange NONE = new GainRange(0, 0, 0);

        /** The nearest gain that can be set, towards less. */
        public double settle(double wantedDb) {
            if (stepDb == 0) {
                return minDb;
            }
            double within = Math.max(minDb, Math.min(maxDb, wantedDb));
            return minDb + Math.floor((within - minDb) / stepDb + 1e-9) * stepDb;
        }
    }

    public Port {
        takes = Set.copyOf(takes);
    }

    public Port labelled(String newLabel) {
        return new Port(
                id, device, direction, number, panelName, newLabel, takes, phantom, bank, padDb, gain, remote, hidden,
                link);
    }

    public Port hidden(boolean away) {
        return new Port(
                id,
                device,
                direction,
                number,
                panelName,
                houseLabel,
                takes,
                phantom,
                bank,
                padDb,
                gain,
                remote,
                away,
                link);
    }

    public boolean hasPreamp() {
        return gain.stepDb() > 0;
    }
}
