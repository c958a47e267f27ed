package vividlantern.units;

/**
 * A place between left (-1) and right (+1). A mono signal is panned at equal power; a stereo signal is balanced,
 * which only ever attenuates one side. It is not a width.
 */
public record Pan(double position) {

    public static final Pan CENTRE = new Pan(0);

    public Pan {
        if (!(position >= -1 && position <= 1)) {
            throw new IllegalArgumentException("A pan lies between -1 (left) and 1 (right).");
        }
        position = position == 0 ? 0 : position;
    }

    public static Pan of(double position) {
        return new Pan(position);
    }

    /** Left factor of a mono signal: cos((p+1)·π/4), -3.01 dB at the centre. */
    public double monoLeft() {
        return position == 1 ? 0 : StrictMath.cos((position + 1) * Math.PI / 4);
    }

    /** Right factor of a mono signal: sin((p+1)·π/4). */
    public double monoRight() {
        return StrictMath.sin((position + 1) * Math.PI / 4);
    }

    /** Left factor of a stereo signal: 1 up to the centre, then cos(p·π/2). */
    public double balanceLeft() {
        return position <= 0 ? 1 : position == 1 ? 0 : StrictMath.cos(position * Math.PI / 2);
    }

    /** Right factor of a stereo signal: 1 from the centre on, below it cos(-p·π/2). */
    public double balanceRight() {
        return position >= 0 ? 1 : position == -1 ? 0 : StrictMath.cos(-position * Math.PI / 2);
    }

    /** As shown to people: "centre", "left 30 %", "right 100 %". */
    @Override
    public String toString() {
        long percent = Math.round(Math.abs(position) * 100);
        return percent == 0 ? "centre" : (position < 0 ? "left " : "right ") + percent + " %";
    }
}
