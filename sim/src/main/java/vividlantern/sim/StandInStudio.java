package vividlantern.sim;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.atomic.AtomicReference;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import vividlantern.hardware.AudioDevice;
import vividlantern.hardware.AudioProcess;
import vividlantern.hardware.DeviceGone;
import vividlantern.hardware.DirectGain;
import vividlantern.hardware.Duty;
import vividlantern.hardware.Lateness;
import vividlantern.hardware.PreampSetting;
import vividlantern.hardware.RunningAlong;
import vividlantern.kernel.Kernels;
import vividlantern.kernel.MixKernel;
import vividlantern.rig.Device;
import vividlantern.rig.LatencyProfile;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.cue.Worn;
import vividlantern.session.song.TempoMap;
import vividlantern.units.Air;

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

    /** Its converters have 24 bits. */
    private static final MixKernel KERNEL = Kernels.best();

    private static final int MAX_FRAMES = 4096;
    /** Further behind than this, a real device would have dropped out; the stand-in lets the time go. */
    private static final long GIVE_UP_NANOS = 250_000_000;

    private final Rig rig;
    /** What is so, whatever the driver reports. */
    private final LatencyProfile latency;

    private final int sampleRate;
    private final NoteBank bank;
    private final Ensemble ensemble;
    private final Optional<SoundModule> module;
    private final List<SecondComputer> alongside;
    private final Room room;
    private final Preamps preamps;
    private final DirectMatrix direct;
    private final Cables cables;
    private final Phone phone;
    private final TalkMic talkMic;
    private final HeadphoneAmps headphoneAmps;
    private volatile List<Worn> worn = List.of();
    private volatile List<HeadphoneAmps.Leak> leaks = List.of();
    private final Duty duty = new Duty();
    /** What the input converters gave, in a ring, up to the room's frame that was captured last. */
    private final float[][] captured;

    private final float[][] directly;
    private long capturedUntil;
    /** Noise is a function of the song's frame, so that renderings of overlapping stretches hold the same. */
    private long noiseBegins;

    private volatile Lateness lateness = Lateness.NONE;
    private volatile boolean running;
    private volatile Optional<RunningAlong> along = Optional.empty();
    private volatile String absence = "";
    private volatile Strain strain = Strain.NONE;
    private final AtomicReference<TempoMap> newTempoMap = new AtomicReference<>();
    private final float[][][] bodySamples;
    private final float[] samples = new float[MAX_FRAMES];
    private final int bufferFrames;

    private StandInStudio(Rig rig, NoteBank bank, int sampleRate, int bufferFrames, TempoMap map) {
        this.rig = rig;
        this.bank = bank;
        this.bufferFrames = bufferFrames;
        this.sampleRate = sampleRate;
        Device leading = rig.leadingInterface().orElseThrow();
        latency = Saltworks.trueLatency(leading);
        ensemble = new Ensemble(bank, sampleRate, map, MAX_FRAMES);
        List<Mic> mics = plugged(rig);
        room = new Room(
                Saltworks.bodies(),
                List.copyOf(Saltworks.heads().values()),
                mics,
                new Air(rig.celsius()),
                sampleRate,
                MAX_FRAMES);
        preamps = new Preamps(rig, sampleRate, mics);
        direct = new DirectMatrix(sampleRate);
        cables = new Cables(rig.engineOutputs().size(), Saltworks.fractionOfAFrame(leading));
        phone = new Phone(rig, bank, sampleRate);
        talkMic = new TalkMic(rig, bank, sampleRate);
        headphoneAmps = new HeadphoneAmps(rig, sampleRate);
        module = preamps.channels().stream().anyMatch(channel -> channel.moduleOutput() >= 0)
                ? Optional.of(new SoundModule(bank, sampleRate, map, MAX_FRAMES))
                : Optional.empty();
        alongside = rig.freeRunningDevices().stream()
                .map(device -> new SecondComputer(
                        device.id(), bank, sampleRate, map, device.driftPpm(), inputsOf(rig, device.id())))
                .toList();
        bodySamples = ensemble.players().stream()
                .map(player -> new float[player.bodies().size()][MAX_FRAMES])
                .toArray(float[][][]::new);
        int ahead = 4 * bufferFrames + latency.roundTripFrames(0);
        captured = new float[preamps.channels().size()][Integer.highestOneBit(ahead) * 2];
        directly = new float[captured.length][bufferFrames];
    }

    /**
     * A studio whose players know the tune.
     *
     * @param bufferFrames the size of the blocks in which it will run; players hear the song later by it
     */
    public static StandInStudio open(Rig rig, int sampleRate, int bufferFrames, TempoMap map) {
        return open(rig, new NoteBank(), sampleRate, bufferFrames, map);
    }

    /** A studio that shares synthesized notes with others. */
    public static StandInStudio open(Rig rig, NoteBank notes, int sampleRate, int bufferFrames, TempoMap map) {
        return new StandInStudio(rig, notes, sampleRate, bufferFrames, map);
    }

    /** The same studio from its first frame on, with its preamps as they stand here; it shares synthesized notes only. */
    public StandInStudio fresh(TempoMap map, String who) {
        StandInStudio other = new StandInStudio(rig, bank, sampleRate, bufferFrames, map);
        other.preamps.turnAs(preamps);
        other.headphoneAmps.turnAs(headphoneAmps);
        other.wear(worn);
        return other.begin(who);
    }

    /** Lets {@link #ALL}, {@link #NONE} or one player play from the first frame on. */
    public StandInStudio begin(String who) {
        everybody().forEach(player -> player.beginPlaying(plays(player.id(), who)));
        phone.beginPlaying(plays(Phone.ID, who));
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

    /** The ids of the players, the sound module and the phone among them where they are there. */
    public List<String> players() {
        Stream<String> played = phone.isThere() ? Stream.of(Phone.ID) : Stream.empty();
        return Stream.concat(everybody().map(Player::id), played).toList();
    }

    private Stream<Player> everybody() {
        return Stream.concat(inTheHouse(), alongside.stream().map(SecondComputer::player));
    }

    /** Those who go by the leading clock. */
    private Stream<Player> inTheHouse() {
        return Stream.concat(ensemble.players().stream(), module.map(SoundModule::player).stream());
    }

    private static int inputsOf(Rig rig, String device) {
        return (int) rig.engineInputs().stream()
                .filter(port -> port.device().equals(device))
                .count();
    }

    /** Lets {@link #ALL}, {@link #NONE} or one player play. */
    public void letPlay(String who) {
        everybody().forEach(player -> player.play(plays(player.id(), who)));
        phone.play(plays(Phone.ID, who));
    }

    /** The players read another tempo map from the next block on. */
    public void follow(TempoMap map) {
        newTempoMap.set(map);
    }

    /**
     * From the block at a device frame on the song stands at a song frame; called between blocks.
     *
     * @param comeIn the song's frame at which the players come in; before it they are counted in
     */
    public void songAt(long deviceFrame, long songFrame, boolean playing, long comeIn) {
        long heardAt = deviceFrame + latency.outFrames(bufferFrames);
        noiseBegins = playing ? songFrame - deviceFrame : noiseBegins;
        inTheHouse().forEach(player -> follow(player, heardAt, songFrame, playing, comeIn));
        alongside.forEach(each -> follow(each.player(), each.own(heardAt), songFrame, playing, comeIn));
    }

    private static void follow(Player player, long heardAt, long songFrame, boolean playing, long comeIn) {
        if (playing) {
            player.playAlong(heardAt, songFrame, comeIn);
        } else {
            player.loop(heardAt);
        }
    }

    /** Synthesizes every note beforehand, so that none has to be waited for. */
    public void warmUp() {
        everybody().forEach(player -> player.bodies().forEach(Body::warmUp));
        if (phone.isThere()) {
            phone.warmUp();
        }
        if (talkMic.isThere()) {
            talkMic.warmUp();
        }
    }

    @Override
    public void setPreamp(String port, PreampSetting setting) {
        preamps.set(port, true, setting, running);
    }

    @Override
    public Optional<PreampSetting> preamp(String port) {
        return preamps.standing(port, true);
    }

    /** What a hand does at a front that no program can reach. */
    public void turn(String port, PreampSetting setting) {
        preamps.set(port, false, setting, running);
    }

    /** How the preamps stand that only a hand can turn, by port: what somebody sees who walks up to them. */
    public Map<String, PreampSetting> fronts() {
        return preamps.fronts();
    }

    /** Lets players put headphones on at outlets, in the place of what they wore: the room's mics hear what those let out. */
    public void wear(List<Worn> wanted) {
        worn = List.copyOf(wanted);
        List<String> players = List.copyOf(Saltworks.heads().keySet());
        leaks = worn.stream()
                .filter(each -> players.contains(each.performer().value()))
                .flatMap(each -> each
                        .headphones()
                        .flatMap(headphones -> each.outlet()
                                .flatMap(outlet -> headphoneAmps.leak(
                                        players.indexOf(each.performer().value()), outlet, headphones)))
                        .stream())
                .toList();
    }

    /** The headphone amps of the studio. */
    public HeadphoneAmps headphoneAmps() {
        return headphoneAmps;
    }

    @Override
    public void setDirect(List<DirectGain> gains) {
        direct.set(gains);
        if (!running) {
            direct.begin();
        }
    }

    /** Plugs a cable from an output of the interface into an input, in the place of what is there. */
    public void plugCable(PortId output, PortId input) {
        cables.plug(
                rig.engineOutput(output).orElseThrow(), rig.engineInput(input).orElseThrow());
    }

    /** Puts the cable of the engineer's mic into a port; in the Saltworks it is in one for good. */
    public void plugTalkMic(Optional<PortId> port) {
        talkMic.plug(port);
    }

    /** Pulls out every cable that {@link #plugCable} put in. */
    public void pullCables() {
        cables.pullOut();
    }

    /** Lets another program take the processor, and blocks come unevenly. */
    public void suffer(Strain wanted) {
        strain = wanted;
    }

    @Override
    public void run(AudioProcess process, Listener listener, int frames, Pace pace) {
        if (frames != bufferFrames) {
            throw new IllegalArgumentException("The studio was opened for blocks of " + bufferFrames + " frames.");
        }
        float[][] in = new float[captured.length][frames];
        float[][] out = new float[rig.engineOutputs().size()][frames];
        along = alongside.isEmpty()
                ? Optional.empty()
                : Optional.of(new RunningAlong(process, List.copyOf(alongside), sampleRate, frames));
        AudioProcess whole = along.isPresent() ? along.get() : process;
        long begun = System.nanoTime();
        boolean goesOn = true;
        running = true;
        capturedUntil = -latency.inFrames(frames);
        captureUntil(directFrame(0));
        try {
            for (long frame = 0; goesOn; frame += frames) {
                if (pace == Pace.REAL_TIME) {
                    begun = keepPace(begun, frame);
                    strain.weigh(frame, frames, sampleRate);
                }
                if (!answers()) {
                    throw new DeviceGone(absence);
                }
                TempoMap map = newTempoMap.getAndSet(null);
                if (map != null) {
                    ensemble.follow(map, sampleRate);
                    module.ifPresent(playing -> playing.follow(map));
                    alongside.forEach(each -> each.follow(map));
                }
                fetch(frame - latency.inFrames(frames), in, frames);
                goesOn = whole.process(in, out, frames, frame);
                if (pace == Pace.REAL_TIME) {
                    long now = System.nanoTime();
                    duty.note((now - due(begun, frame)) * 1e-9 * sampleRate / frames, now);
                }
                for (float[] channel : out) {
                    KERNEL.toSteps(channel, frames);
                }
                listener.played(out, frames, frame);
                addDirect(out, frames, frame);
                headphoneAmps.leave(out, frames);
                listener.left(out, frames, frame);
            }
        } finally {
            letGo();
        }
    }

    /** A studio that has played holds no notes, however long somebody still looks at it. */
    private void letGo() {
        everybody().forEach(player -> player.bodies().forEach(Body::letGo));
    }

    /** How many notes its players hold. */
    long heldNotes() {
        return everybody()
                .flatMap(player -> player.bodies().stream())
                .mapToLong(Body::held)
                .sum();
    }

    /** Which frame of the room comes out of the direct matrix at a frame of the outputs. */
    private long directFrame(long frame) {
        return frame + latency.outFrames(bufferFrames) - latency.directFrames();
    }

    /** Captures the room further, adds to the outputs what goes there directly, and lets both leave. */
    private void addDirect(float[][] out, int frames, long frame) {
        int atOnce = cables.none() && leaks.isEmpty() ? frames : Math.max(1, latency.directFrames() - Cables.REACH);
        for (int offset = 0; offset < frames; offset += atOnce) {
            int span = Math.min(atOnce, frames - offset);
            captureUntil(directFrame(frame) + offset + span);
            if (!direct.isSilent()) {
                fetch(directFrame(frame) + offset, directly, span);
                direct.add(directly, out, offset, span);
                for (float[] channel : out) {
                    clip(channel, offset, span);
                }
            }
            cables.leave(out, offset, span, frame + offset);
        }
    }

    private static void clip(float[] samples, int offset, int frames) {
        for (int n = offset; n < offset + frames; n++) {
            samples[n] = Math.max(-1, Math.min(1, samples[n]));
        }
    }

    @Override
    public Map<String, Double> drifts() {
        Map<String, Double> drifts = new TreeMap<>();
        along.ifPresent(running -> {
            for (int at = 0; at < alongside.size(); at++) {
                String device = alongside.get(at).device();
                running.driftPpm(at).ifPresent(ppm -> drifts.put(device, ppm));
            }
        });
        return drifts;
    }

    @Override
    public Duty duty() {
        return duty;
    }

    @Override
    public Lateness lateness() {
        return lateness;
    }

    private long due(long begun, long frame) {
        return begun + frame * 1_000_000_000L / sampleRate;
    }

    private long keepPace(long begun, long frame) {
        long due = due(begun, frame);
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

    /** Captures the room up to a frame. */
    private void captureUntil(long roomFrame) {
        while (capturedUntil < roomFrame) {
            int frames = (int) Math.min(MAX_FRAMES, roomFrame - capturedUntil);
            capture(capturedUntil, frames);
            capturedUntil += frames;
        }
    }

    /** What the input converters give for frames of the room. */
    private void capture(long roomFrame, int frames) {
        int body = 0;
        for (int at = 0; at < bodySamples.length; at++) {
            ensemble.players().get(at).sound(roomFrame, bodySamples[at], frames);
            for (float[] sounds : bodySamples[at]) {
                room.hear(body++, roomFrame, sounds, frames);
            }
        }
        List<HeadphoneAmps.Leak> leaking = leaks;
        for (HeadphoneAmps.Leak leak : leaking) {
            leak.sound(cables, roomFrame - latency.outFrames(bufferFrames), samples, frames);
            room.hear(body + leak.head(), roomFrame, samples, frames);
        }
        module.ifPresent(playing -> playing.play(roomFrame, frames));
        for (int at = 0; at < captured.length; at++) {
            capture(at, roomFrame, frames, !leaking.isEmpty());
            int ring = captured[at].length;
            int from = (int) (roomFrame & ring - 1);
            int first = Math.min(frames, ring - from);
            System.arraycopy(samples, 0, captured[at], from, first);
            System.arraycopy(samples, first, captured[at], 0, frames - first);
        }
    }

    private void capture(int at, long roomFrame, int frames, boolean leaks) {
        Preamps.Channel channel = preamps.channels().get(at);
        if (channel.moduleOutput() >= 0) {
            module.orElseThrow().fetch(channel.moduleOutput(), samples, frames);
        } else if (cables.isPluggedInto(at)) {
            cables.arrive(at, roomFrame - latency.outFrames(bufferFrames), samples, frames);
            float volts = (float)
                    Preamps.fullScaleVolts(rig.leadingInterface().orElseThrow().fullScaleDbu());
            for (int n = 0; n < frames; n++) {
                samples[n] *= volts;
            }
            preamps.amplifyVolts(at, roomFrame, roomFrame + noiseBegins, samples, frames);
        } else if (talkMic.isPluggedInto(at)) {
            talkMic.arrive(roomFrame + noiseBegins, samples, frames);
            preamps.amplifyVolts(at, roomFrame, roomFrame + noiseBegins, samples, frames);
        } else if (phone.isPluggedInto(at)) {
            phone.arrive(at, roomFrame + noiseBegins, samples, frames);
            preamps.amplifyVolts(at, roomFrame, roomFrame + noiseBegins, samples, frames);
        } else {
            if (preamps.hears(at)) {
                room.reach(channel.mic(), roomFrame, samples, frames);
                if (leaks) {
                    room.addHeads(channel.mic(), roomFrame, samples, frames);
                }
            }
            preamps.amplify(at, roomFrame, roomFrame + noiseBegins, samples, frames);
        }
        KERNEL.toSteps(samples, frames);
    }

    /** Copies what was captured from a frame of the room on. */
    private void fetch(long roomFrame, float[][] to, int frames) {
        for (int at = 0; at < captured.length; at++) {
            int ring = captured[at].length;
            int from = (int) (roomFrame & ring - 1);
            int first = Math.min(frames, ring - from);
            System.arraycopy(captured[at], from, to[at], 0, first);
            System.arraycopy(captured[at], 0, to[at], first, frames - first);
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

    private static boolean plays(String player, String who) {
        return who.equals(ALL) || who.equals(player);
    }
}
