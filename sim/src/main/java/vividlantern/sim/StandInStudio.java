package vividlantern.sim;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicReference;
import java.util.concurrent.atomic.AtomicReferenceArray;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.IntStream;
import vividlantern.hardware.AudioDevice;
import vividlantern.hardware.AudioProcess;
import vividlantern.rig.Device;
import vividlantern.rig.LatencyProfile;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.TempoMap;
import vividlantern.units.Air;
import vividlantern.units.Noise;

/**
 * The simulated interface with everything behind it: cables, preamps, converters with their latency, full scale, clipping
 * and noise, and the room with its players. What it gives is a pure function of the session's tempo map, what the players
 * were told, and the frame.
 */
public final class StandInStudio implements AudioDevice {

    /** Everybody plays. */
    public static final String ALL = "all";

    /** Nobody plays. */
    public static final String NONE = "none";

    private static final double VOLTS_AT_0_DBU = 0.774597;
    private static final double PREAMP_NOISE_DBU = -127;
    private static final double CONVERTER_NOISE_DBFS = -114;
    private static final float STEPS_24_BIT = 1 << 23;
    private static final int MAX_FRAMES = 4096;
    /** Further behind than this, a real device would have dropped out; the stand-in lets the time go. */
    private static final long GIVE_UP_NANOS = 250_000_000;

    /** How a preamp stands. */
    private record Knobs(double gainDb, boolean phantom, double padDb) {}

    /** One channel of the engine: the mic whose cable ends there, and the preamp on the way. */
    private record Channel(int mic, Optional<Port> preamp, double fullScaleDbu) {}

    /**
     * What a channel's preamp and converter do to a mic's sound pressure, as it follows from the knobs.
     *
     * @param gain full scales a pascal; 0 if nothing is plugged in or +48 V is missing
     * @param noise the largest value of its triangular noise
     */
    private record Chain(float gain, float noise) {}

    private final Rig rig;
    private final LatencyProfile latency;
    private final int sampleRate;
    private final NoteBank bank;
    private final Ensemble ensemble;
    private final Room room;
    private final List<Mic> mics;
    private final List<Channel> channels;
    private final Map<String, Knobs> knobs = new ConcurrentHashMap<>();
    private final AtomicReferenceArray<Chain> chains;
    private final AtomicReference<TempoMap> newTempoMap = new AtomicReference<>();
    private final float[][][] bodySamples;
    private final float[] pressure = new float[MAX_FRAMES];
    private final int bufferFrames;

    private StandInStudio(Rig rig, NoteBank bank, int bufferFrames, TempoMap map) {
        this.rig = rig;
        this.bank = bank;
        this.bufferFrames = bufferFrames;
        sampleRate = bank.sampleRate();
        Device leading = rig.leadingInterface().orElseThrow();
        latency = leading.latency();
        ensemble = new Ensemble(bank, map, MAX_FRAMES);
        mics = plugged(rig);
        room = new Room(Saltworks.bodies(), mics, new Air(rig.celsius()), sampleRate);
        channels =
                rig.engineInputs().stream().map(port -> channel(port, leading)).toList();
        bodySamples = ensemble.players().stream()
                .map(player -> new float[player.bodies().size()][MAX_FRAMES])
                .toArray(float[][][]::new);
        knobs.put("old-pilot-1", new Knobs(35, true, 0));
        knobs.put("old-pilot-2", new Knobs(20, false, 0));
        chains = new AtomicReferenceArray<>(channels.size());
        settleChains();
    }

    /**
     * A studio whose players know the tune.
     *
     * @param bufferFrames the size of the blocks in which it will run; players hear the song later by it
     */
    public static StandInStudio open(Rig rig, int sampleRate, int bufferFrames, TempoMap map) {
        return new StandInStudio(rig, new NoteBank(sampleRate), bufferFrames, map);
    }

    /** The same studio from its first frame on, with its preamps as they stand here; it shares synthesized notes only. */
    public StandInStudio fresh(TempoMap map, String who) {
        StandInStudio other = new StandInStudio(rig, bank, bufferFrames, map);
        other.knobs.putAll(knobs);
        other.settleChains();
        other.ensemble.players().forEach(player -> player.beginPlaying(plays(player, who)));
        return other;
    }

    /** The ids of the players. */
    public List<String> players() {
        return ensemble.players().stream().map(Player::id).toList();
    }

    /** Lets {@link #ALL}, {@link #NONE} or one player play. */
    public void letPlay(String who) {
        ensemble.players().forEach(player -> player.play(plays(player, who)));
    }

    /** The players read another tempo map from the next block on. */
    public void follow(TempoMap map) {
        newTempoMap.set(map);
    }

    /** From the block at a device frame on the song stands at a song frame; called between blocks. */
    public void songAt(long deviceFrame, long songFrame, boolean playing) {
        long heardAt = deviceFrame + latency.outFrames(bufferFrames);
        for (Player player : ensemble.players()) {
            if (playing) {
                player.playAlong(heardAt, songFrame);
            } else {
                player.loop(heardAt);
            }
        }
    }

    /** Synthesizes every note beforehand, so that none has to be waited for. */
    public void warmUp() {
        ensemble.players().forEach(player -> player.bodies().forEach(Body::warmUp));
    }

    @Override
    public void setPreamp(String port, double gainDb, boolean phantom, boolean pad) {
        rig.port(new PortId(port)).filter(Port::remote).ifPresent(preamp -> {
            double padDb = pad ? preamp.padDb() : 0;
            knobs.put(port, new Knobs(preamp.gain().settle(gainDb), phantom && preamp.phantom(), padDb));
            settleChains();
        });
    }

    @Override
    public void run(AudioProcess process, Listener listener, int frames, Pace pace) {
        if (frames != bufferFrames) {
            throw new IllegalArgumentException("The studio was opened for blocks of " + bufferFrames + " frames.");
        }
        float[][] in = new float[channels.size()][frames];
        float[][] out = new float[rig.engineOutputs().size()][frames];
        long begun = System.nanoTime();
        boolean goesOn = true;
        for (long frame = 0; goesOn; frame += frames) {
            if (pace == Pace.REAL_TIME) {
                begun = keepPace(begun, frame);
            }
            TempoMap map = newTempoMap.getAndSet(null);
            if (map != null) {
                ensemble.follow(map, sampleRate);
            }
            capture(frame - latency.inFrames(frames), in, frames);
            goesOn = process.process(in, out, frames, frame);
            for (float[] channel : out) {
                convert(channel, frames);
            }
            listener.played(out, frames, frame);
        }
    }

    private long keepPace(long begun, long frame) {
        long due = begun + frame * 1_000_000_000L / sampleRate;
        long wait = due - System.nanoTime();
        if (wait < -GIVE_UP_NANOS) {
            return begun - wait;
        }
        while (wait > 0) {
            LockSupport.parkNanos(wait);
            wait = due - System.nanoTime();
        }
        return begun;
    }

    /** What the input converters give for frames of the room. */
    private void capture(long roomFrame, float[][] in, int frames) {
        int body = 0;
        for (int at = 0; at < bodySamples.length; at++) {
            ensemble.players().get(at).sound(roomFrame, bodySamples[at], frames);
            for (float[] samples : bodySamples[at]) {
                room.hear(body++, roomFrame, samples, frames);
            }
        }
        for (int at = 0; at < in.length; at++) {
            capture(channels.get(at), at, roomFrame, in[at], frames);
        }
    }

    private void capture(Channel channel, int index, long roomFrame, float[] in, int frames) {
        Chain chain = chains.get(index);
        float gain = chain.gain();
        float noise = chain.noise();
        if (gain != 0) {
            room.reach(channel.mic(), roomFrame, pressure, frames);
        }
        for (int n = 0; n < frames; n++) {
            in[n] = gain == 0 ? 0 : gain * pressure[n];
        }
        Noise.addTriangular(in, frames, noise, 1000 + index, roomFrame);
        convert(in, frames);
    }

    private void settleChains() {
        for (int at = 0; at < channels.size(); at++) {
            chains.set(at, chain(channels.get(at)));
        }
    }

    private Chain chain(Channel channel) {
        Knobs set = channel.preamp()
                .map(port -> knobs.getOrDefault(
                        port.id().value(), new Knobs(port.gain().minDb(), false, 0)))
                .orElse(new Knobs(0, false, 0));
        double fromConverter = gain(CONVERTER_NOISE_DBFS);
        double fromPreamp =
                channel.preamp().isPresent() ? gain(PREAMP_NOISE_DBU + set.gainDb() - channel.fullScaleDbu()) : 0;
        double noise = StrictMath.sqrt(6 * (fromPreamp * fromPreamp + fromConverter * fromConverter));
        boolean hears =
                channel.mic() >= 0 && (set.phantom() || !mics.get(channel.mic()).needsPhantom());
        double fullScaleVolts = VOLTS_AT_0_DBU * gain(channel.fullScaleDbu()) * StrictMath.sqrt(2);
        double gain =
                hears ? mics.get(channel.mic()).sensitivity() * gain(set.gainDb() - set.padDb()) / fullScaleVolts : 0;
        return new Chain((float) gain, (float) noise);
    }

    /**
     * What a 24-bit converter makes of samples: steps of 2^-23, and full scale at the end. Added to 2^23 a float has no
     * room for fractions, which rounds without a branch that music would make unpredictable.
     */
    private static void convert(float[] samples, int frames) {
        for (int n = 0; n < frames; n++) {
            float steps = samples[n] * STEPS_24_BIT;
            float large = Math.copySign(STEPS_24_BIT, steps);
            float whole = (steps + large - large) * (1 / STEPS_24_BIT);
            samples[n] = whole > 1 ? 1 : whole < -1 ? -1 : whole;
        }
    }

    /**
     * The mics of the Saltworks with their cables where they are there. In any other studio somebody has plugged them, one
     * after the other, into the sockets that take mics.
     */
    private static List<Mic> plugged(Rig rig) {
        List<Mic> mics = Saltworks.mics();
        if (mics.stream().anyMatch(mic -> rig.port(mic.port()).isPresent())) {
            return mics;
        }
        List<Port> sockets = rig.ports().stream()
                .filter(port -> port.direction() == Port.Direction.IN && rig.isOffered(port))
                .filter(port -> port.takes().contains(Port.Signal.MIC))
                .filter(port -> rig.tiedFrom(port.id()).isEmpty()
                        && rig.engineInput(port.id()).isPresent())
                .toList();
        PortId nowhere = new PortId("");
        return IntStream.range(0, mics.size())
                .mapToObj(at -> mics.get(at)
                        .pluggedInto(at < sockets.size() ? sockets.get(at).id() : nowhere))
                .toList();
    }

    private Channel channel(Port port, Device leading) {
        Map<PortId, Integer> plugged = new HashMap<>();
        for (int mic = 0; mic < mics.size(); mic++) {
            plugged.put(rig.followTies(mics.get(mic).port()), mic);
        }
        Port entry = rig.tiedFrom(port.id()).flatMap(rig::port).orElse(port);
        boolean digital = port.takes().contains(Port.Signal.DIGITAL);
        double fullScale = digital ? rig.device(entry.device()).fullScaleDbu() : leading.fullScaleDbu();
        return new Channel(plugged.getOrDefault(port.id(), -1), rig.preampFor(entry.id()), fullScale);
    }

    private static boolean plays(Player player, String who) {
        return who.equals(ALL) || who.equals(player.id());
    }

    private static double gain(double db) {
        return StrictMath.pow(10, db / 20);
    }
}
