package vividlantern.mix;

import vividlantern.mix.effects.CeilingGuard;
import vividlantern.units.Decibels;

/** How loud a pair that feeds headphones may get, and which rule says so. */
public record GuardCeiling(double dbfs, String rule) {

    /** As long as the way from the output to the ears is not known in numbers. */
    public static final GuardCeiling UNKNOWN_WAY =
            new GuardCeiling(-12, "because the way from this output to the ears is not known in numbers");

    CeilingGuard.Settings settings() {
        return new CeilingGuard.Settings((float) Decibels.of(dbfs).gain());
    }
}
