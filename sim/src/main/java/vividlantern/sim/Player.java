package vividlantern.sim;

import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.List;
import vividlantern.session.song.TempoCurve;

/**
 * Somebody who plays along with what arrives in their headphones: with the song while it plays, else round and round from
 * bar 1. When the song jumps, or they are told to play or to rest, they fade over a few milliseconds.
 */
final class Player {

    private static final int FADE_FRAMES = 480;

    /** From a room frame on, the song stands at a frame and moves on, and they play from a frame of it on; or they loop. */
    private record Place(long roomFrame, long songFrame, long comeIn, boolean looping) {}

    private final String id;
    private final List<Body> bodies;
    private final Deque<Place> coming = new ArrayDeque<>();
    private final float[] fadingOut;
    private Place place = new Place(0, 0, 0, true);
    private Place before = place;
    private long loopFrames;
    private volatile boolean wanted = true;
    private double presence = 1;

    Player(String id, List<Body> bodies, long loopFrames, int maxFrames) {
        this.id = id;
        this.bodies = bodies;
        this.loopFrames = loopFrames;
        fadingOut = new float[maxFrames];
    }

    String id() {
        return id;
    }

    List<Body> bodies() {
        return bodies;
    }

    /** Tells them to play or to rest; heard within a few milliseconds. */
    void play(boolean plays) {
        wanted = plays;
    }

    /** As {@link #play}, but from the first frame on. */
    void beginPlaying(boolean plays) {
        wanted = plays;
        presence = plays ? 1 : 0;
    }

    void follow(TempoCurve curve, long newLoopFrames) {
        loopFrames = newLoopFrames;
        bodies.forEach(body -> body.follow(curve));
    }

    /** From a room frame on they hear the song at a song frame, and begin no note of it before they come in. */
    void playAlong(long roomFrame, long songFrame, long comeIn) {
        coming.addLast(new Place(roomFrame, songFrame, comeIn, false));
    }

    /** From a room frame on they hear no song. */
    void loop(long roomFrame) {
        coming.addLast(new Place(roomFrame, 0, 0, true));
    }

    /** Writes what each body sounds like over some frames of the room. */
    void sound(long roomFrame, float[][] out, int frames) {
        int at = 0;
        while (at < frames) {
            while (!coming.isEmpty() && coming.peekFirst().roomFrame() <= roomFrame + at) {
                before = place;
                place = coming.removeFirst();
            }
            int span = frames - at;
            if (!coming.isEmpty()) {
                span = (int) Math.min(span, coming.peekFirst().roomFrame() - roomFrame - at);
            }
            for (int body = 0; body < bodies.size(); body++) {
                sound(bodies.get(body), roomFrame + at, out[body], at, span);
            }
            at += span;
        }
        applyPresence(out, frames);
    }

    private void sound(Body body, long roomFrame, float[] out, int offset, int frames) {
        Arrays.fill(out, offset, offset + frames, 0);
        add(body, place, roomFrame, out, offset, frames);
        long sinceJump = roomFrame - place.roomFrame();
        if (place == before || sinceJump >= FADE_FRAMES) {
            return;
        }
        float[] old = fadingOut;
        Arrays.fill(old, 0, frames, 0);
        add(body, before, roomFrame, old, 0, frames);
        for (int n = 0; n < frames; n++) {
            float come = Math.min(1, (float) (sinceJump + n) / FADE_FRAMES);
            out[offset + n] = out[offset + n] * come + old[n] * (1 - come);
        }
    }

    private void add(Body body, Place from, long roomFrame, float[] out, int offset, int frames) {
        long moved = from.songFrame() + roomFrame - from.roomFrame();
        if (!from.looping()) {
            body.add(moved, from.comeIn(), out, offset, frames);
            return;
        }
        int done = 0;
        while (done < frames) {
            long inLoop = Math.floorMod(moved + done, loopFrames);
            int span = (int) Math.min(frames - done, loopFrames - inLoop);
            body.add(inLoop, 0, out, offset + done, span);
            done += span;
        }
    }

    private void applyPresence(float[][] out, int frames) {
        double goal = wanted ? 1 : 0;
        if (presence == 1 && goal == 1) {
            return;
        }
        double step = (goal > presence ? 1.0 : -1.0) / FADE_FRAMES;
        double start = presence;
        for (int body = 0; body < bodies.size(); body++) {
            presence = start;
            for (int n = 0; n < frames; n++) {
                if (presence != goal) {
                    presence = step > 0 ? Math.min(goal, presence + step) : Math.max(goal, presence + step);
                }
                out[body][n] *= (float) presence;
            }
        }
    }
}
