package vividlantern.session.cue;

import vividlantern.session.song.NoteValue;
import vividlantern.units.Decibels;
import vividlantern.units.PlainNumber;

/**
 * A cue's echo, in time with the song: what goes into the comfort reverb comes back a note later, and again.
 *
 * @param after the note after which it comes
 * @param fallDb by how much each repeat is quieter than the one before, 3 to 40 dB
 * @param level how loud the first one is; at 0 dB as loud as what is sent there
 */
public record Echo(NoteValue after, double fallDb, Decibels level) {

    public static final double LEAST_FALL_DB = 3;
    public static final double MOST_FALL_DB = 40;

    /** As in "echo after a quaver, each 10 dB down, −6.0 dB". */
    public String words() {
        return "echo after a " + after.words() + ", each " + PlainNumber.of(fallDb) + " dB down, " + level;
    }
}
