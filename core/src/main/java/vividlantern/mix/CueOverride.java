package vividlantern.mix;

import java.util.Arrays;

/**
 * What overrides the gains of cues past all plans: that headphones are cut, those of all or of some, and to whom somebody talks. It acts on
 * edges as a factor, with the next block. Arrays go by the numbers of cues, are false beyond their ends, and are not to be written to.
 *
 * @param cut whose headphones are cut by themselves
 * @param toAll whether everybody is talked to
 * @param to who is, if not everybody
 * @param dim the factor of their music meanwhile
 */
record CueOverride(boolean headphonesCut, boolean[] cut, boolean toAll, boolean[] to, double dim) {

    static final CueOverride NOTHING = new CueOverride(false, new boolean[0], false, new boolean[0], 1);

    CueOverride cut(boolean now) {
        return new CueOverride(now, cut, toAll, to, dim);
    }

    CueOverride cut(boolean[] now) {
        return new CueOverride(headphonesCut, now, toAll, to, dim);
    }

    CueOverride talking(boolean nowToAll, boolean[] now, double nowDim) {
        return new CueOverride(headphonesCut, cut, nowToAll, now, nowDim);
    }

    /** Arrays are compared by what they hold. */
    boolean isSame(CueOverride other) {
        return headphonesCut == other.headphonesCut
                && Arrays.equals(cut, other.cut)
                && toAll == other.toAll
                && Arrays.equals(to, other.to)
                && dim == other.dim;
    }

    /** How an edge is marked on which nothing of it acts but the cut. */
    static final int NOBODYS = 0;

    /** How an edge is marked that brings music to a cue, by its number. */
    static int music(int cue) {
        return cue + 1;
    }

    /** How an edge is marked that brings to a cue what is said to it. */
    static int speech(int cue) {
        return -cue - 1;
    }

    /** What an edge that is marked so is multiplied by. */
    double factor(int mark, boolean cuttable) {
        if (cuttable && headphonesCut) {
            return 0;
        }
        if (mark == NOBODYS) {
            return 1;
        }
        int cue = Math.abs(mark) - 1;
        if (cue < cut.length && cut[cue]) {
            return 0;
        }
        boolean talkedTo = toAll || cue < to.length && to[cue];
        return mark > 0 ? talkedTo ? dim : 1 : talkedTo ? 1 : 0;
    }
}
