package vividlantern.engine;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import vividlantern.basics.Refused;
import vividlantern.click.Passage;
import vividlantern.session.Session;
import vividlantern.session.song.TempoCurve;

/**
 * A range of the song to be written to a file, in frames of the song.
 *
 * @param played what of the song is played, by which its click is counted
 */
public record SongRange(long from, long frames, Passage played) {

    /** The longest file, in seconds. */
    public static final double LONGEST_SECONDS = 4 * 3600;

    private static final String ALL = "all";
    private static final Pattern BARS = Pattern.compile("(\\d{1,5})-(\\d{1,5})");

    /** The same frames as they sound in the whole song, in which what comes before them has been played. */
    public SongRange inTheWholeSong(Session session) {
        return new SongRange(from, frames, Rendering.wholeSong(session));
    }

    /** The same frames, so many of them later. */
    public SongRange later(long by) {
        return new SongRange(from + by, frames, played);
    }

    /**
     * Bars of the song; the file begins and ends on the grid.
     *
     * @param bars "all" for the song from its beginning to its end, or as in "33-40", both included
     * @param countIn whether it begins with the count-in, as if somebody pressed play at the first of them; of the whole song
     *     with what lies before it too
     */
    public static SongRange ofBars(Session session, String bars, boolean countIn) {
        TempoCurve curve = session.tempoMap().curve();
        int rate = session.sampleRate();
        int first = 1;
        int last;
        if (bars.equals(ALL)) {
            last = session.tempoMap()
                    .lastBar()
                    .orElseThrow(() -> new Refused(
                            "The song has no end. Say with which bar it ends, or which bars to write.", "bars"));
        } else {
            Matcher written = BARS.matcher(bars);
            if (!written.matches()) {
                throw new Refused("Bars are written as \"33-40\", or \"all\" for the whole song.", "bars");
            }
            first = Integer.parseInt(written.group(1));
            last = Integer.parseInt(written.group(2));
        }
        if (first < 1 || last < first) {
            throw new Refused("Bars are counted from 1, and the last one does not come before the first.", "bars");
        }
        SongStart start = SongStart.atBar(session, first);
        long from = countIn ? start.frame() : start.passage().from();
        long frames = curve.frame(curve.quarterOf(last + 1, 0), rate) - from;
        if (frames > LONGEST_SECONDS * rate) {
            throw new Refused("These bars last longer than four hours. Write fewer.", "bars");
        }
        return new SongRange(from, frames, countIn ? start.passage() : Passage.from(from, from));
    }
}
