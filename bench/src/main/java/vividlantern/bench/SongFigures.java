package vividlantern.bench;

import java.io.BufferedOutputStream;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import vividlantern.basics.Refused;
import vividlantern.click.ClickFile;
import vividlantern.click.OwnSounds;
import vividlantern.click.Passage;
import vividlantern.format.MidiSong;
import vividlantern.media.MediaFolder;
import vividlantern.mix.LiveState;
import vividlantern.mix.MixPlan;
import vividlantern.mix.MixState;
import vividlantern.mix.Mixer;
import vividlantern.playback.Reel;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.TrackId;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.BackingEdit.AddBacking;
import vividlantern.session.edit.TempoEdit.MoveTempo;
import vividlantern.session.song.Media;
import vividlantern.session.song.NoteValue;
import vividlantern.session.song.SongOutline;
import vividlantern.session.song.TempoMap;
import vividlantern.sim.LowWater;
import vividlantern.sim.Saltworks;
import vividlantern.sound.WavWriter;
import vividlantern.units.Decibels;

/** What sounds from files and long songs cost. */
final class SongFigures {

    private static final int RATE = 48_000;
    private static final int MINUTES = 10;
    private static final int TRACKS = 16;

    private SongFigures() {}

    static void print() {
        try {
            Path folder = Files.createTempDirectory("vivid-lantern-bench");
            MediaFolder media = new MediaFolder(folder);
            importing(media);
            playing(media);
            for (Path each : Files.list(folder).toList()) {
                Files.delete(each);
            }
            Files.delete(folder);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        click();
        midi();
        dragging();
    }

    /** A stereo file of noise, 24 bits. */
    private static byte[] sound(int rate, int seconds, int seed) throws IOException {
        Random random = new Random(seed);
        ByteArrayOutputStream file = new ByteArrayOutputStream(6 * rate * seconds + 100);
        float[][] second = new float[2][rate];
        try (WavWriter wav = new WavWriter(file, WavWriter.SampleFormat.INT_24, rate, (long) rate * seconds, 0)) {
            for (int at = 0; at < seconds; at++) {
                for (int n = 0; n < rate; n++) {
                    second[0][n] = (float) (0.1 * random.nextGaussian());
                    second[1][n] = (float) (0.1 * random.nextGaussian());
                }
                wav.write(second[0], second[1], 0, rate);
            }
        }
        return file.toByteArray();
    }

    private static void importing(MediaFolder media) throws IOException {
        Path source = Files.createTempFile("vivid-lantern-bench", ".wav");
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(source))) {
            out.write(sound(44_100, MINUTES * 60, 1));
        }
        Runtime runtime = Runtime.getRuntime();
        System.gc();
        long before = runtime.totalMemory() - runtime.freeMemory();
        long[] most = {0};
        Thread watcher = new Thread(() -> {
            while (!Thread.currentThread().isInterrupted()) {
                most[0] = Math.max(most[0], runtime.totalMemory() - runtime.freeMemory() - before);
                Thread.onSpinWait();
            }
        });
        watcher.setDaemon(true);
        watcher.start();
        long begun = System.nanoTime();
        try (InputStream in = Files.newInputStream(source)) {
            media.takeIn("ten minutes.wav", in, RATE, fits -> {});
        }
        double seconds = (System.nanoTime() - begun) / 1e9;
        watcher.interrupt();
        Files.delete(source);
        Figures.say(
                "Taking in ten minutes of stereo at 44.1 kHz for 48 kHz: %.1f s, %.0f times as fast as it plays, %.0f MB of memory at most",
                seconds, MINUTES * 60 / seconds, most[0] / 1e6);
    }

    /** The demo with and without sixteen stereo backing tracks in a cue, read ahead beside it. */
    private static void playing(MediaFolder media) throws IOException {
        Rig rig = Saltworks.rig();
        Session demo = LowWater.session(new SessionId("low-water"), rig);
        Session with = demo;
        for (int at = 0; at < TRACKS; at++) {
            Media sound = media.takeIn(
                            "s" + at + ".wav", new ByteArrayInputStream(sound(RATE, 65, 10 + at)), RATE, fits -> {})
                    .media();
            TrackId track = new TrackId("s" + at);
            with = new AddBacking(track, "S" + at, sound)
                    .applyTo(with, rig)
                    .change(new CueId("voice"), cue -> cue.withSend(track, send -> send.at(Decibels.of(-12))));
        }
        for (int buffer : new int[] {32, 128}) {
            double[] without = blocks(demo, rig, media, buffer);
            double[] sixteen = blocks(with, rig, media, buffer);
            Figures.say(
                    "Sixteen stereo backing tracks beside the demo at a buffer of %d, a minute of blocks: median %.1f %% of their time, p99.9 %.1f %%; without them %.1f %% and %.1f %%",
                    buffer, sixteen[0], sixteen[1], without[0], without[1]);
        }
    }

    private static double[] blocks(Session session, Rig rig, MediaFolder media, int buffer) {
        Mixer mixer = new Mixer(RATE, buffer);
        MixPlan plan = MixPlan.compile(session, rig, LiveState.PLAYING, media);
        MixState state = mixer.prepare(plan);
        float[][] in = new float[rig.engineInputs().size()][buffer];
        float[][] out = new float[rig.engineOutputs().size()][buffer];
        int blocks = 60 * RATE / buffer;
        double[] shares = new double[blocks];
        for (int block = 0; block < blocks; block++) {
            long frame = (long) block * buffer;
            plan.reels().forEach(reel -> reel.readAhead(frame));
            long begun = System.nanoTime();
            mixer.process(state, in, out, buffer, frame, frame, Passage.ENDLESS);
            shares[block] = 100 * (System.nanoTime() - begun) / (1e9 * buffer / RATE);
        }
        plan.reels().forEach(Reel::close);
        Arrays.sort(shares);
        return new double[] {shares[blocks / 2], shares[(int) (0.999 * blocks)]};
    }

    private static void click() {
        Session session = LowWater.session(new SessionId("low-water"), Saltworks.rig());
        long begun = System.nanoTime();
        try {
            ClickFile.write(
                    session.with(session.tempoMap().endingWith(Optional.empty())),
                    session.click().voices(),
                    OwnSounds.NONE,
                    Passage.ENDLESS,
                    0,
                    3600L * RATE,
                    (samples, frames) -> {});
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        double seconds = (System.nanoTime() - begun) / 1e9;
        Figures.say("The click of an hour, two voices: %.2f s", seconds);
    }

    private static void midi() {
        ByteArrayOutputStream events = new ByteArrayOutputStream();
        for (int at = 0; at < 100_000; at++) {
            events.writeBytes(new byte[] {1, (byte) 0xFF, 0x51, 3, 7, (byte) (at % 200), 0x20});
        }
        byte[] file = ByteBuffer.allocate(22 + events.size())
                .put("MThd".getBytes(StandardCharsets.US_ASCII))
                .putInt(6)
                .putShort((short) 0)
                .putShort((short) 1)
                .putShort((short) 96)
                .put("MTrk".getBytes(StandardCharsets.US_ASCII))
                .putInt(events.size())
                .put(events.toByteArray())
                .array();
        long begun = System.nanoTime();
        try {
            MidiSong.read(file);
        } catch (Refused tooMany) {
            Figures.say("A MIDI file of 100 000 tempos, read and refused: %.0f ms", (System.nanoTime() - begun) / 1e6);
        }
    }

    /** What the program does for each place of a tempo that is dragged: the edit, the song laid out, the plan. */
    private static void dragging() {
        Rig rig = Saltworks.rig();
        List<TempoMap.Tempo> tempos = new ArrayList<>();
        for (int at = 0; at < 200; at++) {
            tempos.add(new TempoMap.Tempo(16.0 * at, 90 + at % 50, NoteValue.CROTCHET, at % 3 == 0));
        }
        Session session = LowWater.session(new SessionId("low-water"), rig)
                .with(new TempoMap(tempos, TempoMap.steady(90, 4, 4).meters()));
        MixPlan plan = MixPlan.compile(session, rig, LiveState.PLAYING);
        double[] millis = new double[200];
        for (int time = 0; time < millis.length; time++) {
            long begun = System.nanoTime();
            Session moved = new MoveTempo(401, 1, 401, 2 + time % 2).applyTo(session, rig);
            SongOutline.of(moved);
            plan.then(moved, rig, LiveState.PLAYING);
            millis[time] = (System.nanoTime() - begun) / 1e6;
        }
        Arrays.sort(millis);
        Figures.say(
                "A tempo of 200 dragged: edit, outline and plan take %.1f ms a place, p95 %.1f ms",
                millis[100], millis[190]);
    }
}
