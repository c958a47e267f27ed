package vividlantern.sim;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicReference;
import java.util.concurrent.atomic.AtomicReferenceArray;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import vividlantern.hardware.AudioDevice;
import vividlantern.hardware.AudioProcess;
import vividlantern.hardware.DeviceGone;
import vividlantern.hardware.Lateness;
import vividlantern.hardware.PreampSetting;
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
    private static final double LINE_INPUT_DB = 26;
    private static final double INSTRUMENT_INPUT_DB = 12;
    private static final int MAX_FRAMES = 4096;
    /** Further behind than this, a real device would have dropped out; the stand-in lets the time go. */
    private static final long GIVE_UP_NANOS = 250_000_000;

    /**
     * One channel of the engine: the mic whose cable ends there, and the preamp on the way.
     *
     * @param mic its index, -1 where none is plugged in
     * @param moduleOutput which output of the sound module it is, from 0; -1 if it is none
     */
    private record Channel(int mic, Optional<Port> preamp, double fullScaleDbu, int moduleOutput) {}

    /**
     * What a channel's preamp and converter do to a mic's sound pressure, as it follows from the knobs.
     *
     * @param gain full scales a pascal; 0 if nothing is plugged in or +48 V is missing
     * @param noise the largest value of its triangular noise
     * @param thump what the switch that led to it does, if one was thrown
     */
    private record Chain(float gain, float noise, Optional<Thump> thump) {}

    private final Rig rig;
    private final LatencyProfile latency;
    private final int sampleRate;
    private final NoteBank bank;
    private final Ensemble ensemble;
    private final Optional<SoundModule> module;
    private final Room room;
    private final List<Mic> mics;
    private final List<Channel> channels;
    private final Map<String, PreampSetting> knobs = new ConcurrentHashMap<>();
    private final AtomicReferenceArray<Chain> chains;
    private final Chain[] heardThrough;
    private final long[] thumpedAt;
    /** Noise is a function of the song's frame, so that renderings of overlapping stretches hold the same. */
    private long noiseBegins;

    private volatile Lateness lateness = Lateness.NONE;
    private volatile boolean running;
    private volatile String absence = "";
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
        channels = rig.engineInputs().stream().map(this::channel).toList();
        module = channels.stream().anyMatch(channel -> channel.moduleOutput() >= 0)
                ? Optional.of(new SoundModule(bank, map, MAX_FRAMES))
                : Optional.empty();
        bodySamples = ensemble.players().stream()
                .map(player -> new float[player.bodies().size()][MAX_FRAMES])
                .toArray(float[][][]::new);
        knobs.putAll(Saltworks.fronts());
        chains = new AtomicReferenceArray<>(channels.size());
        heardThrough = new Chain[channels.size()];
        thumpedAt = new long[channels.size()];
        settleChains();
    }

    /**
     * A studio whose players know the tune.
     *
     * @param bufferFrames the size of the blocks in which it will run; players hear the song later by it
     */
    public static StandInStudio open(Rig rig, int sampleRate, int bufferFrames, TempoMap map) {
        return open(rig, new NoteBank(sampleRate), bufferFrames, map);
    }

    /** A studio that shares synthesized notes with others of the same sample rate. */
    public static StandInStudio open(Rig rig, NoteBank notes, int bufferFrames, TempoMap map) {
        return new StandInStudio(rig, notes, bufferFrames, map);
    }

    /** The same studio from its first frame on, with its preamps as they stand here; it shares synthesized notes only. */
    public StandInStudio fresh(TempoMap map, String who) {
        StandInStudio other = new StandInStudio(rig, bank, bufferFrames, map);
        other.knobs.putAll(knobs);
        other.settleChains();
        return other.begin(who);
    }

    /** Lets {@link #ALL}, {@link #NONE} or one player play from the first frame on. */
    public StandInStudio begin(String who) {
        everybody().forEach(player -> player.beginPlaying(plays(player, who)));
        return this;
    }

    /** Lets the interface vanish, for a reason that its driver would give, or come back with "". */
    public void vanish(String reason) {
        absence = reason;
    }

    @Override
    public boolean answers() {
        return absence.isEmpty();
    }

    /** The ids of the players, the sound module among them if there is one. */
    public List<String> players() {
        return everybody().map(Player::id).toList();
    }

    private Stream<Player> everybody() {
        return Stream.concat(ensemble.players().stream(), module.map(SoundModule::player).stream());
    }

    /** Lets {@link #ALL}, {@link #NONE} or one player play. */
    public void letPlay(String who) {
        everybody().forEach(player -> player.play(plays(player, who)));
    }

    /** The players read another tempo map from the next block on. */
    public void follow(TempoMap map) {
        newTempoMap.set(map);
    }

    /** From the block at a device frame on the song stands at a song frame; called between blocks. */
    public void songAt(long deviceFrame, long songFrame, boolean playing) {
        long heardAt = deviceFrame + latency.outFrames(bufferFrames);
        noiseBegins = playing ? songFrame - deviceFrame : noiseBegins;
        everybody().forEach(player -> {
            if (playing) {
                player.playAlong(heardAt, songFrame);
            } else {
                player.loop(heardAt);
            }
        });
    }

    /** Synthesizes every note beforehand, so that none has to be waited for. */
    public void warmUp() {
        everybody().forEach(player -> player.bodies().forEach(Body::warmUp));
    }

    @Override
    public void setPreamp(String port, PreampSetting setting) {
        rig.port(new PortId(port)).filter(Port::remote).ifPresent(preamp -> set(preamp, setting));
    }

    @Override
    public Optional<PreampSetting> preamp(String port) {
        return rig.port(new PortId(port))
                .filter(preamp -> preamp.hasPreamp() && preamp.remote())
                .map(this::knobs);
    }

    /** What a hand does at a front that no program can reach. */
    public void turn(String port, PreampSetting setting) {
        rig.port(new PortId(port))
                .filter(preamp -> preamp.hasPreamp() && !preamp.remote())
                .ifPresent(preamp -> set(preamp, setting));
    }

    /** How the preamps stand that only a hand can turn, by port: what somebody sees who walks up to them. */
    public Map<String, PreampSetting> fronts() {
        Map<String, PreampSetting> fronts = new TreeMap<>();
        rig.ports().stream()
                .filter(port -> port.hasPreamp() && !port.remote())
                .forEach(port -> fronts.put(port.id().value(), knobs(port)));
        return fronts;
    }

    private void set(Port preamp, PreampSetting wanted) {
        PreampSetting set = new PreampSetting(
                preamp.gain().settle(wanted.gainDb()),
                wanted.phantom() && preamp.phantom(),
                wanted.pad() && preamp.padDb() > 0,
                wanted.level());
        PreampSetting before = knobs(preamp);
        knobs.put(preamp.id().value(), set);
        for (int at = 0; at < channels.size(); at++) {
            Channel channel = channels.get(at);
            if (channel.preamp().map(Port::id).equals(Optional.of(preamp.id()))) {
                chains.set(at, chain(channel, running ? Thump.between(before, set) : Optional.empty()));
            }
        }
    }

    private PreampSetting knobs(Port preamp) {
        PreampSetting least = new PreampSetting(preamp.gain().minDb(), false, false, PreampSetting.Level.MIC);
        return knobs.getOrDefault(preamp.id().value(), least);
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
        running = true;
        for (long frame = 0; goesOn; frame += frames) {
            if (pace == Pace.REAL_TIME) {
                begun = keepPace(begun, frame);
            }
            if (!answers()) {
                throw new DeviceGone(absence);
            }
            TempoMap map = newTempoMap.getAndSet(null);
            if (map != null) {
                ensemble.follow(map, sampleRate);
                module.ifPresent(playing -> playing.follow(map));
            }
            capture(frame - latency.inFrames(frames), in, frames);
            goesOn = process.process(in, out, frames, frame);
            for (float[] channel : out) {
                convert(channel, frames);
            }
            listener.played(out, frames, frame);
        }
    }

    @Override
    public Lateness lateness() {
        return lateness;
    }

    private long keepPace(long begun, long frame) {
        long due = begun + frame * 1_000_000_000L / sampleRate;
        long wait = due - System.nanoTime();
        if (wait < -GIVE_UP_NANOS) {
            Lateness before = lateness;
            lateness =
                    new Lateness(before.lateBlocks() + 1, before.missedFrames() - wait * sampleRate / 1_000_000_000L);
            return begun - wait;
        }
        if (wait < -bufferFrames * 1_000_000_000L / sampleRate) {
            lateness = new Lateness(lateness.lateBlocks() + 1, lateness.missedFrames());
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
        module.ifPresent(playing -> playing.play(roomFrame, frames));
        for (int at = 0; at < in.length; at++) {
            Channel channel = channels.get(at);
            if (channel.moduleOutput() >= 0) {
                module.orElseThrow().fetch(channel.moduleOutput(), in[at], frames);
                convert(in[at], frames);
            } else {
                capture(channel, at, roomFrame, in[at], frames);
            }
        }
    }

    private void capture(Channel channel, int index, long roomFrame, float[] in, int frames) {
        Chain chain = chains.get(index);
        if (heardThrough[index] != chain) {
            heardThrough[index] = chain;
            thumpedAt[index] = roomFrame;
        }
        float gain = chain.gain();
        float noise = chain.noise();
        if (gain != 0) {
            room.reach(channel.mic(), roomFrame, pressure, frames);
        }
        for (int n = 0; n < frames; n++) {
            in[n] = gain == 0 ? 0 : gain * pressure[n];
        }
        Noise.addTriangular(in, frames, noise, 1000 + index, roomFrame + noiseBegins);
        if (chain.thump().isPresent()) {
            chain.thump().get().add(in, frames, roomFrame - thumpedAt[index], sampleRate);
        }
        convert(in, frames);
    }

    private void settleChains() {
        for (int at = 0; at < channels.size(); at++) {
            chains.set(at, chain(channels.get(at), Optional.empty()));
        }
    }

    private Chain chain(Channel channel, Optional<Thump> thump) {
        double fromConverter = gain(CONVERTER_NOISE_DBFS);
        double amplified = channel.preamp().map(this::amplification).orElse(0.0);
        double fromPreamp =
                channel.preamp().isPresent() ? gain(PREAMP_NOISE_DBU + amplified - channel.fullScaleDbu()) : 0;
        double noise = StrictMath.sqrt(6 * (fromPreamp * fromPreamp + fromConverter * fromConverter));
        boolean powered =
                channel.preamp().map(this::knobs).filter(StandInStudio::powers).isPresent();
        boolean hears =
                channel.mic() >= 0 && (powered || !mics.get(channel.mic()).needsPhantom());
        double padDb = channel.preamp()
                .filter(port -> knobs(port).pad())
                .map(Port::padDb)
                .orElse(0.0);
        double fullScaleVolts = VOLTS_AT_0_DBU * gain(channel.fullScaleDbu()) * StrictMath.sqrt(2);
        double gain = hears ? mics.get(channel.mic()).sensitivity() * gain(amplified - padDb) / fullScaleVolts : 0;
        return new Chain((float) gain, (float) noise, thump);
    }

    /** The gain at the knob, less what the line and instrument inputs of a combination socket take off. */
    private double amplification(Port preamp) {
        PreampSetting set = knobs(preamp);
        double takesOff = switch (set.level()) {
            case MIC -> 0;
            case LINE -> LINE_INPUT_DB;
            case INSTRUMENT -> INSTRUMENT_INPUT_DB;
        };
        return set.gainDb() - takesOff;
    }

    /** +48 V reaches mic inputs only. */
    private static boolean powers(PreampSetting set) {
        return set.phantom() && set.level() == PreampSetting.Level.MIC;
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

    private Channel channel(Port port) {
        Map<PortId, Integer> plugged = new HashMap<>();
        for (int mic = 0; mic < mics.size(); mic++) {
            PortId socket = mics.get(mic).port();
            if (rig.carries(socket, sampleRate)) {
                plugged.put(rig.followTies(socket), mic);
            }
        }
        boolean digital = port.takes().contains(Port.Signal.DIGITAL);
        Port converter = digital ? rig.tiedFrom(port.id()).flatMap(rig::port).orElse(port) : port;
        return new Channel(
                plugged.getOrDefault(port.id(), -1),
                rig.preampFor(rig.entryOf(port.id())),
                rig.device(converter.device()).fullScaleDbu(),
                rig.isOfSoundModule(port.id()) ? port.number() - 1 : -1);
    }

    private static boolean plays(Player player, String who) {
        return who.equals(ALL) || who.equals(player.id());
    }

    private static double gain(double db) {
        return StrictMath.pow(10, db / 20);
    }
}
