package vividlantern.session.edit;

import java.util.List;
import java.util.Optional;
import vividlantern.basics.Ids;
import vividlantern.basics.Texts;
import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.cue.Comfort;
import vividlantern.session.cue.Compressor;
import vividlantern.session.cue.Corner;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Ears;
import vividlantern.session.cue.Send;
import vividlantern.units.Decibels;

/** Changes of a cue. */
public sealed interface CueEdit extends Edit {

    CueId cue();

    /** An edit of fields of one cue that is there. */
    sealed interface OfOne extends CueEdit {

        /** The cue with the change made. */
        Cue of(Cue was);

        /** What it does, in the user's words, without the cue's name. */
        String words();

        @Override
        default Session applyTo(Session session, Rig rig) {
            Rules.known(session, cue());
            return session.change(cue(), this::of);
        }

        @Override
        default String summary(Session session, Rig rig) {
            return Rules.name(session, cue()) + ": " + words();
        }
    }

    /** Adds a cue: guarded, at 0 dB, without output, listeners or sends. */
    record AddCue(CueId cue, String name) implements CueEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Ids.requireNew(cue.value(), session.find(cue).isPresent(), "id");
            double position =
                    session.cues().stream().mapToDouble(Cue::position).max().orElse(0) + 1;
            return session.plus(Cue.empty(cue, position, Texts.name(name, "A cue", "name")));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return name + ": cue added";
        }
    }

    /** Takes a cue away, and its sends with it. */
    record RemoveCue(CueId cue) implements CueEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, cue);
            return session.withCues(session.cues().stream()
                            .filter(each -> !each.id().equals(cue))
                            .toList())
                    .withoutLostDirect();
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, cue) + ": cue removed";
        }
    }

    /** Names a cue. */
    record RenameCue(CueId cue, String name) implements OfOne {

        @Override
        public Cue of(Cue was) {
            String named = Texts.name(name, "A cue", "name");
            return was.named(named);
        }

        @Override
        public String words() {
            return "renamed to " + name;
        }
    }

    /** Says by which output pair a cue leaves, or that it has none and is silent. */
    record SetCueOutput(CueId cue, Optional<PairId> output) implements CueEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, cue);
            output.ifPresent(id -> Rules.cuePair(session, rig, id));
            return session.change(cue, each -> each.outTo(output));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, cue) + ": "
                    + output.map(id -> "out by " + Rules.name(rig, id)).orElse("no output");
        }
    }

    /** Says who hears a cue. */
    record SetCueListeners(CueId cue, List<PerformerId> listeners) implements CueEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, cue);
            listeners.forEach(id -> Rules.known(session, id));
            return session.change(
                    cue, each -> each.heardBy(listeners.stream().distinct().toList()));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, cue) + ": heard by "
                    + (listeners.isEmpty()
                            ? "nobody"
                            : String.join(
                                    ", ",
                                    listeners.stream()
                                            .map(id -> Rules.name(session, id))
                                            .toList()));
        }
    }

    /** Sets a cue's level for all. */
    record SetCueLevel(CueId cue, Decibels level) implements OfOne {

        @Override
        public Cue of(Cue was) {
            Decibels set = Rules.fader(level, "A level for all");
            return was.at(set);
        }

        @Override
        public String words() {
            return "level for all " + level;
        }
    }

    /** Puts the ceiling guard before a cue's output pair, or takes it away. */
    record SetCueGuard(CueId cue, boolean guarded) implements OfOne {

        @Override
        public Cue of(Cue was) {
            return was.guarded(guarded);
        }

        @Override
        public String words() {
            return "ceiling guard " + (guarded ? "on" : "off");
        }
    }

    /** Switches a cue's high-pass and sets its corner, in whole Hz from 20 to 1000. */
    record SetCueHighPass(CueId cue, boolean on, double hz) implements OfOne {

        @Override
        public Cue of(Cue was) {
            Corner corner = Rules.corner("A high-pass", on, hz, Corner.Range.HIGH_PASS);
            return was.withHighPass(corner);
        }

        @Override
        public String words() {
            return "high-pass " + (on ? Math.round(hz) + " Hz" : "off");
        }
    }

    /** Switches a cue's low-pass and sets its corner, in whole Hz from 1000 to 20 000. */
    record SetCueLowPass(CueId cue, boolean on, double hz) implements OfOne {

        @Override
        public Cue of(Cue was) {
            Corner corner = Rules.corner("A low-pass", on, hz, Corner.Range.LOW_PASS);
            return was.withLowPass(corner);
        }

        @Override
        public String words() {
            return "low-pass " + (on ? Math.round(hz) + " Hz" : "off");
        }
    }

    /** Switches a cue's compressor and sets it: threshold and make-up gain in dB, ratio to 1, attack and release in ms. */
    record SetCueCompressor(
            CueId cue,
            boolean on,
            double thresholdDbfs,
            double ratio,
            double attackMs,
            double releaseMs,
            double makeUpDb)
            implements OfOne {

        /** What brings a cue's compressor to where one stands. */
        static SetCueCompressor to(CueId cue, Compressor one) {
            return new SetCueCompressor(
                    cue, one.on(), one.thresholdDbfs(), one.ratio(), one.attackMs(), one.releaseMs(), one.makeUpDb());
        }

        @Override
        public Cue of(Cue was) {
            return was.compressed(set());
        }

        private Compressor set() {
            return new Compressor(
                    on,
                    Rules.within(Compressor.Range.THRESHOLD, thresholdDbfs, "thresholdDbfs"),
                    Rules.within(Compressor.Range.RATIO, ratio, "ratio"),
                    Rules.within(Compressor.Range.ATTACK, attackMs, "attackMs"),
                    Rules.within(Compressor.Range.RELEASE, releaseMs, "releaseMs"),
                    Rules.within(Compressor.Range.MAKE_UP, makeUpDb, "makeUpDb"));
        }

        @Override
        public String words() {
            return "compressor " + set().words();
        }
    }

    /** Switches a cue's comfort reverb, chooses its room, and says how loud it comes back. */
    record SetCueComfort(CueId cue, boolean on, Comfort.Room room, Decibels level) implements OfOne {

        @Override
        public Cue of(Cue was) {
            return was.comforted(new Comfort(on, room, Rules.fader(level, "A comfort reverb")));
        }

        @Override
        public String words() {
            return "comfort reverb " + new Comfort(on, room, level).words();
        }
    }

    /** Says to which ears a cue's sides go. */
    record SetCueEars(CueId cue, Ears ears) implements OfOne {

        @Override
        public Cue of(Cue was) {
            return was.at(ears);
        }

        @Override
        public String words() {
            return ears.toString();
        }
    }

    /** Refuses one that no edit would have let in. */
    static void check(Cue cue, Session session, Rig rig) {
        CueId id = cue.id();
        Ids.require(id.value(), "cues");
        Rules.position(cue.position(), "cues");
        for (Edit edit : List.of(
                new RenameCue(id, cue.name()),
                new SetCueLevel(id, cue.level()),
                new SetCueHighPass(id, cue.highPass().on(), cue.highPass().hz()),
                new SetCueLowPass(id, cue.lowPass().on(), cue.lowPass().hz()),
                SetCueCompressor.to(id, cue.compressor()),
                new SetCueComfort(
                        id,
                        cue.comfort().on(),
                        cue.comfort().room(),
                        cue.comfort().level()),
                new SetCueListeners(id, cue.listeners()))) {
            edit.applyTo(session, rig);
        }
        Rules.requireDifferent(cue.listeners(), each -> each, "listeners of " + cue.name() + " are the same performer");
        Rules.requireDifferent(cue.sends(), Send::trackId, "sends of cue " + cue.name() + " are of one track");
    }
}
