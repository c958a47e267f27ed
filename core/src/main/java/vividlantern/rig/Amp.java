package vividlantern.rig;

import vividlantern.units.PlainNumber;

/**
 * What a headphone amp does on the way from its line inputs to each of its outlets, as its master is turned now.
 *
 * @param gainDb from an input to an outlet whose own level is fully open, -80 to 40 dB
 * @param outputOhms what it adds in front of the headphones, 0 to 600 ohm
 * @param mostVolts the RMS of a sine from which on it overloads, 0.1 to 30 V
 */
public record Amp(double gainDb, double outputOhms, double mostVolts) {

    /** The same at an outlet whose own level is turned down by so much. */
    public Amp turnedDown(double db) {
        return new Amp(gainDb - db, outputOhms, mostVolts);
    }

    public String words() {
        return "gain " + PlainNumber.of(gainDb) + " dB, " + PlainNumber.of(outputOhms) + " ohm, up to "
                + PlainNumber.of(mostVolts) + " V";
    }
}
