package vividlantern.sim;

import vividlantern.engine.ChangeOver;
import vividlantern.engine.Room;
import vividlantern.hardware.AudioDevice;
import vividlantern.playback.MediaShelf;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.SessionId;

/** What the stand-in's converters give while the players play the song from bar 1 on. */
final class Take {

    static final int RATE = 48_000;
    static final Rig RIG = Saltworks.rig();
    static final Session SESSION = LowWater.session(new SessionId("low-water"), RIG);

    private Take() {}

    static StandInStudio studio() {
        return studio(SESSION.bufferFrames());
    }

    static StandInStudio studio(int buffer) {
        StandInStudio studio = StandInStudio.open(RIG, RATE, buffer, SESSION.tempoMap());
        ChangeOver.begin(SESSION, RIG, studio);
        return studio;
    }

    /**
     * Records every engine input.
     *
     * @param who who plays
     * @return one array a channel; the song's frame 0 stands at frame {@link #arrival}
     */
    static float[][] record(String who, int seconds) {
        return record(studio().fresh(SESSION.tempoMap(), who), seconds, SESSION.bufferFrames());
    }

    static float[][] record(StandInStudio studio, int seconds, int buffer) {
        int frames = seconds * RATE;
        float[][] taken = new float[RIG.engineInputs().size()][frames];
        studio.songAt(0, 0, true, 0);
        studio.run(
                (in, out, count, frame) -> {
                    int keep = (int) Math.min(count, frames - frame);
                    for (int channel = 0; channel < Math.min(taken.length, in.length); channel++) {
                        System.arraycopy(in[channel], 0, taken[channel], (int) frame, keep);
                    }
                    return frame + count < frames;
                },
                (out, count, frame) -> {},
                buffer,
                AudioDevice.Pace.UNHURRIED);
        return taken;
    }

    /** A studio with what is around it, as a rendering wants it. */
    static Room room(StandInStudio studio) {
        return new Room(
                studio,
                transport -> studio.songAt(
                        transport.deviceFrame(),
                        transport.songFrame(),
                        transport.playing(),
                        transport.passage().from()),
                studio::follow,
                MediaShelf.EMPTY);
    }

    /** Where the song's first frame comes in: out to the players and back, 407 frames at a buffer of 128; 41 are not reported. */
    static int arrival(int buffer) {
        return RIG.leadingInterface().orElseThrow().latency().roundTripFrames(buffer) + 41;
    }

    static int channel(String port) {
        return RIG.engineInput(new PortId(port)).orElseThrow();
    }

    static double peakDb(float[] samples, int from, int to) {
        double peak = 0;
        for (int n = from; n < to; n++) {
            peak = Math.max(peak, Math.abs(samples[n]));
        }
        return 20 * Math.log10(peak);
    }
}
