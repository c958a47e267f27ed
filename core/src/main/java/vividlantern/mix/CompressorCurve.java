package vividlantern.mix;

import java.util.List;
import java.util.stream.IntStream;
import vividlantern.session.cue.Compressor;

/** What a compressor makes of steady levels, its make-up gain included. */
public final class CompressorCurve {

    private static final int LOWEST_DBFS = -60;

    /** A level that comes in, and what leaves; peaks in dBFS. */
    public record LevelPoint(double inDbfs, double outDbfs) {}

    private CompressorCurve() {}

    /** A point each dB from -60 to 0 dBFS. */
    public static List<LevelPoint> of(Compressor compressor) {
        return IntStream.rangeClosed(LOWEST_DBFS, 0)
                .mapToObj(dbfs -> new LevelPoint(dbfs, dbfs + compressor.reductionDb(dbfs) + compressor.makeUpDb()))
                .toList();
    }
}
