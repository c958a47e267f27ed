package vividlantern.engine;

import vividlantern.click.Passage;
import vividlantern.session.Session;
import vividlantern.session.song.TempoCurve;

/**
 * How playing begins: the song's frame from which it moves, and what of it is heard from there on.
 *
 * @param frame with the count-in, and with what a backing track plays before the song's beginning
 */
record SongStart(long frame, Passage passage) {

    /** Of the whole song. A pick-up is counted in from the bar in which it lies. */
    static SongStart ofSong(Session session) {
        TempoCurve curve = session.tempoMap().curve();
        int rate = session.sampleRate();
        long begins = curve.frame(curve.begins(), rate);
        long counted = countedFrom(session, curve, curve.firstBar(), begins);
        long earliest = session.backing().stream()
                .mapToLong(backing -> backing.startFrame(curve, rate))
                .reduce(counted, Math::min);
        return new SongStart(earliest, Passage.from(counted, begins).withWhatComesBefore(earliest));
    }

    /** At a bar; at bar 1 it is the whole song. */
    static SongStart atBar(Session session, int bar) {
        if (bar <= 1) {
            return ofSong(session);
        }
        TempoCurve curve = session.tempoMap().curve();
        long from = curve.frame(curve.quarterOf(bar, 0), session.sampleRate());
        long counted = countedFrom(session, curve, bar, from);
        return new SongStart(counted, Passage.from(counted, from));
    }

    private static long countedFrom(Session session, TempoCurve curve, int bar, long from) {
        int bars = session.click().countInBars();
        return bars == 0 ? from : curve.frame(curve.quarterOf(bar - bars, 0), session.sampleRate());
    }
}
