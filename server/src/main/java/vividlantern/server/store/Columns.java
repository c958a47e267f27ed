package vividlantern.server.store;

import vividlantern.units.Decibels;

/** How single values stand in a column. */
final class Columns {

    private Columns() {}

    /** A level in dB; null is off. */
    static Double of(Decibels level) {
        return level.isOff() ? null : level.value();
    }

    static Decibels level(Double column) {
        return column == null ? Decibels.OFF : Decibels.of(column);
    }
}
