package vividlantern.sim;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicReferenceArray;
import vividlantern.hardware.PreampSetting;
import vividlantern.rig.Device;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.units.Noise;

/** The way from every mic's cable to its converter: knobs, amplification, +48 V, noise, thumps, clipping. */
final class Preamps {

    private static final double VOLTS_AT_0_DBU = 0.774597;
    private static final double PREAMP_NOISE_DBU = -127;
    private static final double CONVERTER_NOISE_DBFS = -114;
    private static final double LINE_INPUT_DB = 26;
    private static final double INSTRUMENT_INPUT_DB = 12;

    /**
     * One channel of the engine: the mic whose cable ends there, and the preamp on the way.
     *
     * @param mic its index, -1 where none is plugged in
     * @param moduleOutput which output of the sound module it is, from 0; -1 if it is none
     */
    record Channel(int mic, Optional<Port> preamp, double fullScaleDbu, int moduleOutput) {}

    /**
     * What a channel's preamp and converter do, as it follows from the knobs.
     *
     * @param fromMic full scales a pascal at its mic; 0 if nothing is plugged in or +48 V is missing
     * @param fromVolts full scales a volt at its socket
     * @param noise the largest value of its triangular noise
     * @param thump what the switch that led to it does, if one was thrown
     */
    private record Chain(float fromMic, float fromVolts, float noise, Optional<Thump> thump) {}

    private final Rig rig;
    private final int sampleRate;
    private final List<Mic> mics;
    private final List<Channel> channels;
    private final Map<String, PreampSetting> knobs = new ConcurrentHashMap<>();
    private final AtomicReferenceArray<Chain> chains;
    private final Chain[] heardThrough;
    private final long[] thumpedAt;

    Preamps(Rig rig, int sampleRate, List<Mic> mics) {
        this.rig = rig;
        this.sampleRate = sampleRate;
        this.mics = mics;
        List<String> along = rig.freeRunningDevices().stream().map(Device::id).toList();
        channels = rig.engineInputs().stream()
                .filter(port -> !along.contains(port.device()))
                .map(this::channel)
                .toList();
        knobs.putAll(Saltworks.fronts());
        chains = new AtomicReferenceArray<>(channels.size());
        heardThrough = new Chain[channels.size()];
        thumpedAt = new long[channels.size()];
        settle();
    }

    /** Takes over how the knobs of others stand. */
    void turnAs(Preamps others) {
        knobs.putAll(others.knobs);
        settle();
    }

    List<Channel> channels() {
        return channels;
    }

    /** Volts that drive a converter of this level to full scale. */
    static double fullScaleVolts(double fullScaleDbu) {
        return VOLTS_AT_0_DBU * gain(fullScaleDbu) * StrictMath.sqrt(2);
    }

    /** How a preamp stands that a program can set, or that it cannot; empty if there is none. */
    Optional<PreampSetting> standing(String port, boolean remote) {
        return rig.port(new PortId(port))
                .filter(preamp -> preamp.hasPreamp() && preamp.remote() == remote)
                .map(this::knobs);
    }

    /** How the preamps stand that only a hand can turn, by port. */
    Map<String, PreampSetting> fronts() {
        Map<String, PreampSetting> fronts = new TreeMap<>();
        rig.ports().stream()
                .filter(port -> port.hasPreamp() && !port.remote())
                .forEach(port -> fronts.put(port.id().value(), knobs(port)));
        return fronts;
    }

    /**
     * Turns the knobs of a preamp, if it is one that a program can set, or one that it cannot.
     *
     * @param audibly whether a switch that is thrown thumps
     */
    void set(String port, boolean remote, PreampSetting wanted, boolean audibly) {
        rig.port(new PortId(port))
                .filter(preamp -> preamp.hasPreamp() && preamp.remote() == remote)
                .ifPresent(preamp -> set(preamp, wanted, audibly));
    }

    private void set(Port preamp, PreampSetting wanted, boolean audibly) {
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
                chains.set(at, chain(channel, audibly ? Thump.between(before, set) : Optional.empty()));
            }
        }
    }

    private PreampSetting knobs(Port preamp) {
        PreampSetting least = new PreampSetting(preamp.gain().minDb(), false, false, PreampSetting.Level.MIC);
        return knobs.getOrDefault(preamp.id().value(), least);
    }

    /** Whether anything of its mic comes through a channel. */
    boolean hears(int channel) {
        return chains.get(channel).fromMic() != 0;
    }

    /**
     * Turns the pressure at a channel's mic into samples, and adds what its preamp adds.
     *
     * @param samples holds the pressure
     * @param noiseFrame which frame of the noise it is
     */
    void amplify(int channel, long frame, long noiseFrame, float[] samples, int frames) {
        float gain = chains.get(channel).fromMic();
        amplify(channel, gain, frame, noiseFrame, samples, frames);
    }

    /** The same for volts at its socket. */
    void amplifyVolts(int channel, long frame, long noiseFrame, float[] samples, int frames) {
        amplify(channel, chains.get(channel).fromVolts(), frame, noiseFrame, samples, frames);
    }

    private void amplify(int index, float gain, long frame, long noiseFrame, float[] samples, int frames) {
        Chain chain = chains.get(index);
        if (heardThrough[index] != chain) {
            heardThrough[index] = chain;
            thumpedAt[index] = frame;
        }
        for (int n = 0; n < frames; n++) {
            samples[n] = gain == 0 ? 0 : gain * samples[n];
        }
        Noise.addTriangular(samples, frames, chain.noise(), 1000 + index, noiseFrame);
        if (chain.thump().isPresent()) {
            chain.thump().get().add(samples, frames, frame - thumpedAt[index], sampleRate);
        }
    }

    private void settle() {
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
                channel.preamp().map(this::knobs).filter(Preamps::powers).isPresent();
        boolean hears =
                channel.mic() >= 0 && (powered || !mics.get(channel.mic()).needsPhantom());
        double padDb = channel.preamp()
                .filter(port -> knobs(port).pad())
                .map(Port::padDb)
                .orElse(0.0);
        double fullScaleVolts = fullScaleVolts(channel.fullScaleDbu());
        double fromVolts = gain(amplified - padDb) / fullScaleVolts;
        double fromMic = hears ? mics.get(channel.mic()).sensitivity() * gain(amplified - padDb) / fullScaleVolts : 0;
        return new Chain((float) fromMic, (float) fromVolts, (float) noise, thump);
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

    private static double gain(double db) {
        return StrictMath.pow(10, db / 20);
    }
}
