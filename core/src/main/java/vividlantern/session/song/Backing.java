package vividlantern.session.song;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.Stream;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.PartNames;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.units.PlainNumber;

/**
 * What a backing track plays: a sound from a file, from a place in the song on. It is never stretched.
 *
 * @param track the track that plays it
 * @param follows whether its beginning stays at its bar or at its time when the tempo changes
 * @param bar where it begins, if it follows bars
 * @param beat the beat of that bar, from 1 and with its fraction
 * @param seconds when it begins, counted from the start of bar 1, if it follows time
 * @param from where in the file it begins, in seconds
 * @param to where in the file it ends, in seconds
 * @param loops whether it begins again where it has ended, as long as the song goes on
 */
public record Backing(
        TrackId track,
        Media media,
        Follows follows,
        int bar,
        double beat,
        double seconds,
        double from,
        double to,
        boolean loops)
        implements Part {

    /** What a beginning stays at. */
    public enum Follows {
        BARS,
        TIME
    }

    /** The whole of a sound from the start of bar 1 on. */
    public static Backing of(TrackId track, Media media) {
        return new Backing(track, media, Follows.BARS, 1, 1, 0, 0, media.seconds(), false);
    }

    /** Another sound at the same place; of a shorter one no more is heard than there is, of a longer one all of it if all was heard. */
    public Backing playing(Media other) {
        boolean whole = to >= media.seconds();
        double end = whole ? other.seconds() : Math.min(to, other.seconds());
        return new Backing(track, other, follows, bar, beat, seconds, from < end ? from : 0, end, loops);
    }

    /** The same from another place in the song on: at that bar and beat, or at the time that they have now. */
    public Backing beginning(int atBar, double atBeat, TempoCurve curve) {
        return follows == Follows.BARS
                ? new Backing(track, media, follows, atBar, atBeat, seconds, from, to, loops)
                : new Backing(
                        track,
                        media,
                        follows,
                        bar,
                        beat,
                        curve.seconds(curve.quarterOf(atBar, atBeat - 1)),
                        from,
                        to,
                        loops);
    }

    /** The same from another bar on, if it follows bars. */
    public Backing fromBar(int other) {
        return follows == Follows.BARS
                ? new Backing(track, media, follows, other, beat, seconds, from, to, loops)
                : this;
    }

    /** The song's frame at which it begins. */
    public long startFrame(TempoCurve curve, int sampleRate) {
        return follows == Follows.BARS
                ? curve.frame(curve.quarterOf(bar, beat - 1), sampleRate)
                : Math.round(seconds * sampleRate);
    }

    /** The first frame of the sound that is heard, at a rate. */
    public long fromFrame(int sampleRate) {
        return Math.round(from * sampleRate);
    }

    /** The frame of the sound at which it ends, at a rate. */
    public long toFrame(int sampleRate) {
        return Math.min(media.framesAt(sampleRate), Math.round(to * sampleRate));
    }

    @Override
    public String title(PartNames names, PartKey key) {
        return "What " + names.track(track) + " plays";
    }

    @Override
    public Map<String, String> traits(PartNames names) {
        Map<String, String> traits = new LinkedHashMap<>();
        traits.put("sound", media.name());
        traits.put(
                "begins at",
                follows == Follows.BARS
                        ? "bar " + bar + ", beat " + PlainNumber.of(beat)
                        : PlainNumber.of(seconds) + " s");
        traits.put("from", PlainNumber.of(from) + " s");
        traits.put("to", PlainNumber.of(to) + " s");
        traits.put("loops", PartNames.yesNo(loops));
        return traits;
    }

    @Override
    public boolean standsIn(Session session) {
        return session.find(track).filter(Track::isBacking).isPresent();
    }

    @Override
    public Stream<Media> sounds() {
        return Stream.of(media);
    }
}
