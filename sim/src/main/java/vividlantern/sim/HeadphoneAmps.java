package vividlantern.sim;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vividlantern.ears.Outlet;
import vividlantern.ears.OutletNote;
import vividlantern.rig.Amp;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.cue.Headphones;

/**
 * The headphone amps as they really stand: which outputs lead there, how each outlet is turned down, whether it is switched on, and how
 * high the sound in it is. In the Saltworks the cables are what they are; elsewhere somebody plugged them as the rig says.
 */
public final class HeadphoneAmps {

    /** As an outlet is left by hands. */
    public record Knob(double turnedDownDb, boolean on) {
        static final Knob OPEN = new Knob(0, true);
    }

    /**
     * How an outlet is left, and how high the sound in it is now.
     *
     * @param leftDb the peak, relative to where the amp overloads; minus infinity for silence
     */
    public record Reading(PortId outlet, Knob knob, float leftDb, float rightDb) {}

    /** What is assumed of an amp that nobody has described. */
    private static final Amp USUAL = new Amp(-14, 10, 6);

    private static final double FALLS_DB_A_SECOND = 20;
    private static final int NOWHERE = -1;
    private static final double REFERENCE_PASCAL = 20e-6;
    /** From the ear's side of a cup to where it is heard outside. */
    private static final double OUTSIDE_METRES = 0.02;

    private static final class Jack {
        private final PortId port;
        private final int left;
        private final int right;
        private final Amp amp;
        private volatile Knob knob = Knob.OPEN;
        private volatile float leftPeak;
        private volatile float rightPeak;

        private Jack(PortId port, int left, int right, Amp amp) {
            this.port = port;
            this.left = left;
            this.right = right;
            this.amp = amp;
        }
    }

    /** Headphones that let something out: their two sides together, as loud as either if both play the same. */
    static final class Leak {
        private final int head;
        private final Jack jack;
        private final float pascalAtAMetre;

        private Leak(int head, Jack jack, float pascalAtAMetre) {
            this.head = head;
            this.jack = jack;
            this.pascalAtAMetre = pascalAtAMetre;
        }

        int head() {
            return head;
        }

        /** Writes the pressure at a metre, of what left by the outputs from a frame on. */
        void sound(Cables cables, long frame, float[] samples, int frames) {
            Arrays.fill(samples, 0, frames, 0);
            Knob knob = jack.knob;
            float factor = knob.on() ? pascalAtAMetre / 2 * (float) gain(-knob.turnedDownDb()) : 0;
            if (jack.left != NOWHERE) {
                cables.addLeft(jack.left, frame, factor, samples, frames);
            }
            if (jack.right != NOWHERE) {
                cables.addLeft(jack.right, frame, factor, samples, frames);
            }
        }
    }

    private final List<Jack> jacks = new ArrayList<>();
    private final double fullScaleVolts;
    private final int sampleRate;

    HeadphoneAmps(Rig rig, int sampleRate) {
        this.sampleRate = sampleRate;
        fullScaleVolts =
                Preamps.fullScaleVolts(rig.leadingInterface().orElseThrow().fullScaleDbu());
        Map<PortId, PortId> cables = Saltworks.ampCables();
        Map<PortId, Knob> knobs = Saltworks.outlets();
        for (Outlet outlet : Outlet.of(rig)) {
            Amp amp = rig.device(outlet.port().device()).amp().orElse(USUAL);
            Jack jack = new Jack(
                    outlet.port().id(),
                    outputInto(outlet, true, cables, rig),
                    outputInto(outlet, false, cables, rig),
                    amp);
            jack.knob = knobs.getOrDefault(jack.port, Knob.OPEN);
            jacks.add(jack);
        }
    }

    private static int outputInto(Outlet outlet, boolean left, Map<PortId, PortId> cables, Rig rig) {
        Optional<PortId> inlet = outlet.inlets().map(sides -> left ? sides.left() : sides.right());
        Optional<PortId> asTheRigSays = outlet.outputs().map(sides -> left ? sides.left() : sides.right());
        return inlet.map(cables::get)
                .filter(output -> rig.port(output).isPresent())
                .or(() -> asTheRigSays)
                .flatMap(rig::engineOutput)
                .orElse(NOWHERE);
    }

    /** What a hand does at an outlet, if there is one at this port. */
    public void turn(PortId port, Knob knob) {
        jacks.stream().filter(jack -> jack.port.equals(port)).forEach(jack -> jack.knob = settled(knob));
    }

    private static Knob settled(Knob knob) {
        double within = Math.max(0, Math.min(OutletNote.MOST_TURNED_DOWN_DB, knob.turnedDownDb()));
        return new Knob(within, knob.on());
    }

    void turnAs(HeadphoneAmps others) {
        others.jacks.forEach(jack -> turn(jack.port, jack.knob));
    }

    /**
     * What headphones at an outlet let out, if it is on and something leads there.
     *
     * @param head whose they are, by its place in the room
     */
    Optional<Leak> leak(int head, PortId outlet, Headphones worn) {
        return jacks.stream()
                .filter(jack -> jack.port.equals(outlet))
                .findFirst()
                .map(jack -> new Leak(head, jack, pascalAtAMetre(jack.amp, worn)));
    }

    /** Of a sample of 1 at the outlet's output: the pressure at the ear, behind the cup, 2 cm from where it is heard outside. */
    private float pascalAtAMetre(Amp amp, Headphones worn) {
        double atTheEar = fullScaleVolts * gain(amp.gainDb()) * worn.ohms() / (worn.ohms() + amp.outputOhms());
        return (float) (REFERENCE_PASCAL * gain(worn.dbPerVolt() - worn.isolationDb()) * atTheEar * OUTSIDE_METRES);
    }

    private static double gain(double db) {
        return StrictMath.pow(10, db / 20);
    }

    /** Takes what leaves by the outputs. */
    void leave(float[][] outputs, int frames) {
        float falls = (float) Math.pow(10, -FALLS_DB_A_SECOND / 20 * frames / sampleRate);
        for (int at = 0; at < jacks.size(); at++) {
            Jack jack = jacks.get(at);
            jack.leftPeak = Math.max(falls * jack.leftPeak, peak(outputs, jack.left, frames));
            jack.rightPeak = Math.max(falls * jack.rightPeak, peak(outputs, jack.right, frames));
        }
    }

    private static float peak(float[][] outputs, int output, int frames) {
        float peak = 0;
        for (int n = 0; output != NOWHERE && n < frames; n++) {
            peak = Math.max(peak, Math.abs(outputs[output][n]));
        }
        return peak;
    }

    /** The outlets, amp by amp. */
    public List<Reading> readings() {
        return jacks.stream()
                .map(jack -> new Reading(jack.port, jack.knob, db(jack, jack.leftPeak), db(jack, jack.rightPeak)))
                .toList();
    }

    private float db(Jack jack, float peak) {
        if (!jack.knob.on()) {
            return Float.NEGATIVE_INFINITY;
        }
        double most = jack.amp.mostVolts() * Math.sqrt(2);
        return (float) (20 * Math.log10(peak * fullScaleVolts / most) + jack.amp.gainDb() - jack.knob.turnedDownDb());
    }
}
