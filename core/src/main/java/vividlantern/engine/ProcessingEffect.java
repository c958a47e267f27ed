package vividlantern.engine;

import java.io.IOException;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;
import vividlantern.basics.Progress;
import vividlantern.basics.Refused;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;

/** What a cue's filters and compressor do to it: rendered without them and with them, each behind the ceiling guard. */
public record ProcessingEffect(Measured without, Measured with) {

    /**
     * How loud and how high a rendering is.
     *
     * @param lufs the loudest three seconds; none if it is silent
     * @param truePeakDbtp the highest point, between samples too; none if it is silent
     */
    public record Measured(Optional<Double> lufs, Optional<Double> truePeakDbtp) {

        private static Measured of(HeardMix heard) {
            return new Measured(heard.lufs(), heard.truePeakDbtp());
        }

        private String words() {
            return lufs.isEmpty()
                    ? "silence"
                    : number(lufs.get()) + " LUFS, true peak " + number(truePeakDbtp.orElseThrow()) + " dBTP";
        }
    }

    /**
     * @param rooms a fresh device for each rendering
     * @param progress how far it has come
     * @throws Refused if the cue leaves nowhere, has neither a filter nor a compressor on, or it was cancelled
     */
    public static ProcessingEffect of(Session session, Rig rig, CueId id, Supplier<Room> rooms, Progress progress)
            throws IOException {
        Cue cue = HeardMix.cue(session, id);
        StereoPair pair = HeardMix.pairOf(cue, rig);
        if (!cue.isFiltered() && !cue.compressor().on()) {
            throw new Refused(cue.name() + " has no filter and no compressor on.", "cue");
        }
        Session bare = session.change(id, Cue::unprocessed);
        HeardMix without = HeardMix.of(bare, rig, pair, rooms.get(), share -> progress.at(share / 2));
        HeardMix with = HeardMix.of(session, rig, pair, rooms.get(), share -> progress.at((1 + share) / 2));
        return new ProcessingEffect(Measured.of(without), Measured.of(with));
    }

    /** What came out, in a sentence. */
    public String words() {
        String both = "Without filters and compressor " + without.words() + "; with them " + with.words();
        if (without.lufs().isEmpty() || with.lufs().isEmpty()) {
            return both + ".";
        }
        double more = with.lufs().get() - without.lufs().get();
        String louder = Math.abs(more) < 0.05
                ? "equally loud"
                : number(Math.abs(more)) + " LU " + (more > 0 ? "louder" : "quieter");
        return both + ": " + louder + ".";
    }

    private static String number(double value) {
        return String.format(Locale.ROOT, "%.1f", value).replace('-', '\u2212');
    }
}
