package vividlantern.sim;

import vividlantern.rig.PortId;

/**
 * A mic, or a pickup with its DI box, and where its cable really goes.
 *
 * @param sensitivity volts a pascal; for a pickup, volts for what its instrument gives at one metre
 * @param needsPhantom silent without +48 V
 * @param body the body whose pickup it is, -1 for a mic in the air
 */
record Mic(String source, PortId port, double sensitivity, boolean needsPhantom, Spot spot, int body) {

    static Mic inAir(String source, String port, double millivoltsPerPascal, boolean needsPhantom, Spot spot) {
        return new Mic(source, new PortId(port), millivoltsPerPascal / 1000, needsPhantom, spot, -1);
    }

    static Mic pickup(String source, String port, double voltsPerPascal, boolean needsPhantom, int body) {
        return new Mic(source, new PortId(port), voltsPerPascal, needsPhantom, Spot.live(0, 0, 0), body);
    }

    Mic pluggedInto(PortId other) {
        return new Mic(source, other, sensitivity, needsPhantom, spot, body);
    }

    /** Too far from everybody for the room's walls not to matter. */
    boolean distant() {
        return body < 0 && spot.z() > 2.5;
    }
}
