package vividlantern.mix;

import vividlantern.units.Pan;

/**
 * How much of each channel of a track goes to the left and to the right. Mono is panned, stereo balanced; wider tracks
 * fold: 5 channels (left, right, centre, surrounds) and 6 (with LFE fourth, left out) by ITU-R BS.775, others
 * alternately left and right, each at 1/√(channels a side). What is folded is then balanced.
 */
final class Fold {

    private static final double MINUS_3_DB = StrictMath.sqrt(0.5);

    private Fold() {}

    static double left(int width, int channel, Pan pan) {
        return width == 1 ? pan.monoLeft() : pan.balanceLeft() * share(width, channel, 0);
    }

    static double right(int width, int channel, Pan pan) {
        return width == 1 ? pan.monoRight() : pan.balanceRight() * share(width, channel, 1);
    }

    /** How much of a channel goes where one signal is wanted: of mono all, of wider tracks half of both sides. */
    static double mono(int width, int channel) {
        return width == 1 ? 1 : 0.5 * (left(width, channel, Pan.CENTRE) + right(width, channel, Pan.CENTRE));
    }

    private static double share(int width, int channel, int side) {
        if (width == 5 || width == 6) {
            return surroundShare(width, channel, side);
        }
        int channelsThere = (width + 1 - side) / 2;
        return channel % 2 == side ? 1 / StrictMath.sqrt(channelsThere) : 0;
    }

    private static double surroundShare(int width, int channel, int side) {
        if (channel < 2) {
            return channel == side ? 1 : 0;
        }
        if (channel == 2) {
            return MINUS_3_DB;
        }
        if (width == 6 && channel == 3) {
            return 0;
        }
        int surround = channel - (width == 6 ? 4 : 3);
        return surround == side ? MINUS_3_DB : 0;
    }
}
