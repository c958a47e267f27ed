package vividlantern.sim;

/**
 * A place in the studio, in metres from a corner of the live room's floor.
 *
 * @param booth in the booth, behind a wall, instead of in the live room
 */
record Spot(double x, double y, double z, boolean booth) {

    static Spot live(double x, double y, double z) {
        return new Spot(x, y, z, false);
    }

    double to(double otherX, double otherY, double otherZ) {
        double dx = x - otherX;
        double dy = y - otherY;
        double dz = z - otherZ;
        return StrictMath.sqrt(dx * dx + dy * dy + dz * dz);
    }
}
