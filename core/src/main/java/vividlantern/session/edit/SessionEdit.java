package vividlantern.session.edit;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.Driver;
import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.session.MainMix;
import vividlantern.session.Session;
import vividlantern.session.Settings;
import vividlantern.units.Decibels;

/** Changes of what a session is as a whole: its name, what it runs at, the main mix. */
public sealed interface SessionEdit extends Edit {

    List<Integer> BIT_DEPTHS = List.of(16, 24, 32);

    /** Names the session and its song. */
    record SetSessionNames(String name, String song) implements SessionEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            String named = Texts.name(name, "The session", "name");
            Settings was = session.settings();
            return session.with(new Settings(
                    named,
                    Texts.optional(song, "song"),
                    was.sampleRate(),
                    was.bitDepth(),
                    was.bufferFrames(),
                    was.rigId(),
                    was.main()));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Session: named \"" + name + "\"";
        }
    }

    /** Chooses the sample rate, in Hz, among those of the interface. Digital links carry fewer channels at higher rates. */
    record SetSampleRate(int sampleRate) implements SessionEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            if (!rig.driver().sampleRates().contains(sampleRate)) {
                throw new Refused(
                        Rules.interfaceName(rig) + " does not run at " + sampleRate + " Hz; it runs at "
                                + rig.driver().sampleRates() + ".",
                        "sampleRate");
            }
            Settings was = session.settings();
            return session.with(new Settings(
                    was.name(), was.song(), sampleRate, was.bitDepth(), was.bufferFrames(), was.rigId(), was.main()));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Session: " + sampleRate / 1000.0 + " kHz";
        }
    }

    /**
     * Chooses the buffer, in frames, among those of the interface: small for short delays, large for heavy mixes. It is
     * remembered for what the session is at.
     */
    record SetBuffer(int bufferFrames) implements SessionEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            if (!rig.driver().bufferFrames().contains(bufferFrames)) {
                throw new Refused(
                        Rules.interfaceName(rig) + " has no buffer of " + bufferFrames + " frames; it has "
                                + rig.driver().bufferFrames() + ".",
                        "bufferFrames");
            }
            Settings was = session.settings();
            return session.with(new Settings(
                            was.name(),
                            was.song(),
                            was.sampleRate(),
                            was.bitDepth(),
                            bufferFrames,
                            was.rigId(),
                            was.main()))
                    .withMonitoring(Optional.of(session.monitored().remembering(bufferFrames)));
        }

        /** The buffer of a rig's interface that is nearest to one. */
        static int nearest(Rig rig, int bufferFrames) {
            return rig.driver().bufferFrames().stream()
                    .min(Comparator.comparingInt(each -> Math.abs(each - bufferFrames)))
                    .orElse(bufferFrames);
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Session: buffer of " + bufferFrames + " frames";
        }
    }

    /** Sets the level of the whole main mix. */
    record SetMainLevel(Decibels level) implements SessionEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Settings was = session.settings();
            MainMix main =
                    new MainMix(Rules.fader(level, "The main level"), was.main().output());
            return session.with(new Settings(
                    was.name(), was.song(), was.sampleRate(), was.bitDepth(), was.bufferFrames(), was.rigId(), main));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Main: level " + level;
        }
    }

    /** Chooses the output pair of the main speakers: one by which no cue leaves; none for a main mix that is not heard. */
    record SetMainOutput(Optional<PairId> output) implements SessionEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            output.ifPresent(pair -> Rules.mainPair(session, rig, pair));
            Settings was = session.settings();
            MainMix main = new MainMix(was.main().level(), output);
            return session.with(new Settings(
                    was.name(), was.song(), was.sampleRate(), was.bitDepth(), was.bufferFrames(), was.rigId(), main));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Main: leaves by "
                    + output.map(pair -> Rules.name(rig, pair)).orElse("no pair");
        }
    }

    /** Refuses one that no edit would have let in. */
    static void check(Settings settings, Session session, Rig rig) {
        Texts.name(settings.name(), "A session", "name");
        Texts.optional(settings.song(), "song");
        Ids.require(settings.rigId().value(), "rigId");
        Rules.within(
                settings.sampleRate(), Driver.LOWEST_RATE, Driver.HIGHEST_RATE, "A sample rate in Hz", "sampleRate");
        Rules.buffer(settings.bufferFrames(), "bufferFrames");
        if (!BIT_DEPTHS.contains(settings.bitDepth())) {
            throw new Refused("A bit depth is 16, 24 or 32; " + settings.bitDepth() + " is not.", "bitDepth");
        }
        Rules.fader(settings.main().level(), "The main level");
    }
}
