package vividlantern.playback;

import java.io.IOException;
import java.util.Arrays;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.atomic.AtomicReferenceArray;
import java.util.concurrent.locks.ReentrantLock;
import vividlantern.click.Passage;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.song.Backing;
import vividlantern.session.song.TempoCurve;
import vividlantern.sound.MediaReader;

/**
 * A sound at its place in the song. Pieces of it are read ahead by a thread that may wait; filling allocates nothing and waits
 * for nothing. What is not there in time is silent and counted, and goes and comes without a crack.
 *
 * <p>Its samples are a pure function of the song's frame and of the passage that is played, as long as they are read in time.
 * Where it is begun or stopped in its middle, or trimmed, it fades in or out over a moment.
 */
public final class Reel {

    private static final int PIECES_A_SECOND = 6;
    private static final int SLOTS = 16;
    private static final int AHEAD_PIECES = 12;
    /** So many are needed to begin to play. */
    private static final int FIRST_PIECES = 2;

    private static final long LONGEST_WAIT_MILLIS = 20;
    private static final long NEVER = Long.MIN_VALUE;
    private static final long FOREVER = Long.MAX_VALUE / 2;
    private static final double CUT_SECONDS = 0.005;
    private static final double TRIM_SECONDS = 0.001;

    /** A piece of the sound as it lies in the song, counted from its beginning there. */
    private record Piece(long number, float[][] samples) {}

    /** What makes a reel what it is. */
    private record Made(Backing backing, long start, long end, int sampleRate) {}

    private final Made made;
    private final MediaShelf shelf;
    private final int channels;
    private final long from;
    /** Frames from its start to its end in the song. */
    private final long lasts;

    private final boolean cutIn;
    private final boolean cutOut;
    private final int cutFrames;
    private final int trimFrames;
    private final int pieceFrames;
    private final AtomicReferenceArray<Piece> pieces = new AtomicReferenceArray<>(SLOTS);
    /** What lies where the song will go next, beside what lies where it is. */
    private final AtomicReferenceArray<Piece> coming = new AtomicReferenceArray<>(FIRST_PIECES);

    private final AtomicLong missing = new AtomicLong();

    private final ReentrantLock reading = new ReentrantLock();
    /** Of who holds the lock; anybody may ask whether it is there. */
    private volatile MediaReader reader;

    private volatile boolean closed;
    /** Whether something of it was read: from then on what is not there is late. */
    private volatile boolean ready;

    private volatile String fault = "";

    // what follows belongs to the audio thread
    private long filledTo = NEVER;
    private Passage passage = Passage.nothing(0);
    /** How much of it is there: less than 1 where a piece was missing. */
    private float presence = 1;

    /** The piece that was heard last, and the one behind it; they are held here, since others may take their places. */
    private Piece heard;

    private Piece behind;

    private Reel tail;
    private Piece tailHeard;
    private Piece tailBehind;
    private long tailAt;
    private Passage tailPassage = passage;
    private int tailLeft;
    private float[][] scratch = new float[0][];

    private Reel(Made made, MediaShelf shelf) {
        this.made = made;
        this.shelf = shelf;
        Backing backing = made.backing();
        int rate = made.sampleRate();
        channels = backing.media().channels();
        from = backing.fromFrame(rate);
        long once = Math.max(0, backing.toFrame(rate) - from);
        lasts = backing.loops() && once > 0 ? Math.max(0, Math.min(made.end(), FOREVER) - made.start()) : once;
        cutIn = from > 0;
        cutOut = !backing.loops() && backing.toFrame(rate) < backing.media().framesAt(rate);
        cutFrames = (int) Math.round(CUT_SECONDS * rate);
        trimFrames = (int) Math.round(TRIM_SECONDS * rate);
        pieceFrames = rate / PIECES_A_SECOND;
    }

    /** The reel of a backing track as a session has it; the one before if it is the same. */
    public static Reel of(Backing backing, Session session, TempoCurve curve, MediaShelf shelf, Reel before) {
        int rate = session.sampleRate();
        Made made = new Made(backing, backing.startFrame(curve, rate), curve.frame(curve.ends(), rate), rate);
        return before != null && before.made.equals(made) ? before : new Reel(made, shelf);
    }

    public TrackId track() {
        return made.backing().track();
    }

    public int channels() {
        return channels;
    }

    /** What the sound is called. */
    public String name() {
        return made.backing().media().name();
    }

    /** Why it cannot be read; "" if it can. */
    public String fault() {
        return fault;
    }

    /** Whether it was opened and read: before that it is brought to the session's rate, for instance. */
    public boolean isReady() {
        return ready;
    }

    /** Whether its sound is open, so that reading takes no longer than the disk does. */
    public boolean isOpen() {
        return reader != null;
    }

    /** How many frames were wanted and not there in time, since it was made. */
    public long missing() {
        return missing.get();
    }

    // --- reading ahead, on threads that may wait ---

    /** Opens the sound if it is not yet, and reads what will be needed soon at a song's frame. */
    public void readAhead(long songFrame) {
        reading.lock();
        try {
            read(songFrame, AHEAD_PIECES, pieces);
        } finally {
            reading.unlock();
        }
    }

    /**
     * Reads what is needed to go on at another song's frame. A sound that is not open is left alone, and so is one at which somebody
     * else reads for long: nobody who wants to play or to stop waits for a disk.
     */
    public void readFirst(long songFrame) {
        try {
            if (reading.tryLock(LONGEST_WAIT_MILLIS, TimeUnit.MILLISECONDS)) {
                try {
                    if (reader != null) {
                        read(songFrame, FIRST_PIECES, coming);
                    }
                } finally {
                    reading.unlock();
                }
            }
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
        }
    }

    private void read(long songFrame, int count, AtomicReferenceArray<Piece> into) {
        try {
            if (closed) {
                return;
            }
            if (reader == null) {
                reader = open();
            }
            long since = songFrame - made.start();
            long first = Math.max(0, Math.floorDiv(since, pieceFrames));
            for (long number = first; number < first + count; number++) {
                boolean soon = (number - count) * pieceFrames <= since;
                boolean within = number * pieceFrames < lasts;
                int slot = (int) (number % into.length());
                Piece there = into.get(slot);
                if (soon && within && (there == null || there.number() != number)) {
                    into.set(slot, new Piece(number, piece(number)));
                }
            }
            ready = true;
            fault = "";
        } catch (IOException | RuntimeException failed) {
            fault = failed.getMessage() == null ? failed.toString() : failed.getMessage();
        }
    }

    /** Frame 0 of what is read is the first that is played if it loops, else the first of the sound. */
    private MediaReader open() throws IOException {
        return made.backing().loops()
                ? Loop.of(made.backing(), shelf, made.sampleRate())
                : shelf.open(made.backing().media(), made.sampleRate());
    }

    private float[][] piece(long number) throws IOException {
        float[][] samples = new float[channels][pieceFrames];
        long at = number * pieceFrames;
        long first = made.backing().loops() ? at : from + at;
        reader.read(first, samples, 0, (int) Math.min(pieceFrames, lasts - at));
        return samples;
    }

    /** Lets go of the file; what has been read can still be heard. */
    public void close() {
        closed = true;
        reading.lock();
        try {
            if (reader != null) {
                reader.close();
                reader = null;
            }
        } catch (IOException nothingIsLost) {
            fault = nothingIsLost.getMessage();
        } finally {
            reading.unlock();
        }
    }

    // --- filling, on the audio thread ---

    /** Takes its memory for blocks up to a length. */
    public void prepare(int maxFrames) {
        if (scratch.length == 0) {
            scratch = new float[channels][maxFrames];
        }
    }

    /** Goes on in the place of another reel of the same track, which fades out while this one fades in. */
    public void takeOver(Reel before) {
        beginTail(before, before.filledTo, before.passage);
        filledTo = before.filledTo;
        passage = before.passage;
    }

    private void beginTail(Reel of, long at, Passage played) {
        if (at == NEVER) {
            return;
        }
        tail = of;
        tailHeard = of.heard;
        tailBehind = of.behind;
        tailAt = at;
        tailPassage = played;
        tailLeft = cutFrames;
    }

    /** Writes the song's frames from one on into its wires, while a passage of the song is played. */
    public void fill(long songFrame, float[][] wires, int first, int at, int frames, Passage played) {
        if (songFrame != filledTo) {
            beginTail(this, filledTo, passage);
            presence = 1;
        }
        passage = played;
        write(songFrame, wires, first, at, frames, played);
        if (tailLeft > 0) {
            int span = Math.min(tailLeft, frames);
            addTail(wires, first, at, span);
        }
        filledTo = songFrame + frames;
    }

    private void addTail(float[][] wires, int first, int at, int span) {
        tail.writeTail(tailHeard, tailBehind, tailAt, scratch, span, tailPassage);
        boolean another = tail != this;
        for (int channel = 0; channel < channels; channel++) {
            float[] out = wires[first + channel];
            for (int n = 0; n < span; n++) {
                float old = (float) (tailLeft - n) / cutFrames;
                float fresh = another ? 1 - old : 1;
                out[at + n] = fresh * out[at + n] + old * scratch[channel][n];
            }
        }
        tailAt += span;
        tailLeft -= span;
        if (tailLeft == 0) {
            tail = null;
            tailHeard = null;
            tailBehind = null;
        }
    }

    /** What fades out: of the pieces that were held back for it. */
    private void writeTail(Piece first, Piece second, long songFrame, float[][] to, int frames, Passage played) {
        int done = 0;
        while (done < frames) {
            long since = songFrame + done - made.start();
            int span = spanOfOneKind(since, frames - done);
            Piece piece = holds(first, since) ? first : holds(second, since) ? second : null;
            writeSpan(piece, since, songFrame + done, to, 0, done, span, played, false);
            done += span;
        }
    }

    private boolean holds(Piece piece, long since) {
        return piece != null && since >= 0 && since < lasts && piece.number() == since / pieceFrames;
    }

    private void write(long songFrame, float[][] to, int first, int at, int frames, Passage played) {
        int done = 0;
        while (done < frames) {
            long since = songFrame + done - made.start();
            int span = spanOfOneKind(since, frames - done);
            heard = since < 0 || since >= lasts ? null : pieceAt(since);
            behind = heard == null ? null : pieceAt((heard.number() + 1) * pieceFrames);
            writeSpan(heard, since, songFrame + done, to, first, at + done, span, played, true);
            done += span;
        }
    }

    /** How many frames from one on lie before the sound, behind it, or in one piece of it. */
    private int spanOfOneKind(long since, int frames) {
        if (since < 0) {
            return (int) Math.min(frames, -since);
        }
        if (since >= lasts) {
            return frames;
        }
        long inPiece = pieceFrames - since % pieceFrames;
        return (int) Math.min(frames, Math.min(inPiece, lasts - since));
    }

    private Piece pieceAt(long since) {
        long number = since / pieceFrames;
        Piece piece = pieces.get((int) (number % SLOTS));
        if (piece == null || piece.number() != number) {
            piece = coming.get((int) (number % FIRST_PIECES));
        }
        return piece != null && piece.number() == number ? piece : null;
    }

    /** @param counts whether it is the sound itself, not what fades out behind it */
    private void writeSpan(
            Piece piece,
            long since,
            long songFrame,
            float[][] to,
            int first,
            int at,
            int span,
            Passage played,
            boolean counts) {
        boolean wanted = since >= 0
                && since < lasts
                && songFrame + span > played.soundsFrom()
                && songFrame < added(played.until(), cutFrames);
        if (!wanted || piece == null) {
            for (int channel = 0; channel < channels; channel++) {
                Arrays.fill(to[first + channel], at, at + span, 0);
            }
            if (wanted && counts) {
                presence = 0;
                missing.addAndGet(ready && songFrame < played.until() ? span : 0);
            }
            return;
        }
        int inPiece = (int) (since % pieceFrames);
        boolean goesOn = !counts || behind != null || since - inPiece + pieceFrames >= lasts;
        boolean whole = goesOn && presence == 1 && isWhole(since, songFrame, span, played);
        for (int channel = 0; channel < channels; channel++) {
            System.arraycopy(piece.samples()[channel], inPiece, to[first + channel], at, span);
        }
        if (!whole) {
            for (int n = 0; n < span; n++) {
                if (counts) {
                    boolean leaving = !goesOn && pieceFrames - inPiece - n <= cutFrames;
                    presence = Math.max(0, Math.min(1, presence + (leaving ? -1f : 1f) / cutFrames));
                }
                float gain = (counts ? presence : 1) * gain(since + n, songFrame + n, played);
                for (int channel = 0; channel < channels; channel++) {
                    to[first + channel][at + n] *= gain;
                }
            }
        }
    }

    private static long added(long frame, int more) {
        return frame > Long.MAX_VALUE - more ? Long.MAX_VALUE : frame + more;
    }

    /** Whether all frames of a span sound as they are. */
    private boolean isWhole(long since, long songFrame, int span, Passage played) {
        boolean begun = played.soundsFrom() <= made.start() || songFrame >= added(played.soundsFrom(), cutFrames);
        boolean goesOn = songFrame + span <= played.until();
        boolean in = !cutIn || since >= trimFrames;
        boolean out = !cutOut || since + span <= lasts - trimFrames;
        return begun && goesOn && in && out;
    }

    private float gain(long since, long songFrame, Passage played) {
        if (songFrame < played.soundsFrom()) {
            return 0;
        }
        float gain = 1;
        if (played.soundsFrom() > made.start()) {
            gain = Math.min(gain, (songFrame - played.soundsFrom() + 1f) / cutFrames);
        }
        if (songFrame >= played.until()) {
            gain *= Math.max(0, 1 - (songFrame - played.until() + 1f) / cutFrames);
        }
        if (cutIn) {
            gain *= Math.min(1, (since + 1f) / trimFrames);
        }
        if (cutOut) {
            gain *= Math.min(1, (float) (lasts - since) / trimFrames);
        }
        return gain;
    }
}
