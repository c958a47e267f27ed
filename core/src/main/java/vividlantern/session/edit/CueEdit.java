package vividlantern.session.edit;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
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
import vividlantern.session.cue.Echo;
import vividlantern.session.cue.Send;
import vividlantern.units.Decibels;

/** Changes of a cue. */
public sealed interface CueEdit extends Edit {

    CueId cue();

    /** An edit of fields of one cue that is there. */
    sealed interface OfOne extends CueEdit {

        /** The cue with the change made. */
        Cue of(Cue was);

        /** What it does to a cue, in the user's words, without its name. */
        String words(Cue was);

        @Override
        default Session applyTo(Session session, Rig rig) {
            Rules.known(session, cue());
            return session.change(cue(), this::of);
        }

        @Override
        default String summary(Session session, Rig rig) {
            return Rules.name(session, cue()) + ": " + words(session.find(cue()).orElseThrow());
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
        public String words(Cue was) {
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

    /** Says by which further output pairs the same leaves as by a cue's output. */
    record SetCueFurtherOutputs(CueId cue, List<PairId> outputs) implements CueEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Cue was = Rules.known(session, cue);
            if (was.output().isEmpty() && !outputs.isEmpty()) {
                throw new Refused("Cue " + was.name() + " has no output pair yet. Give it one first.", "outputs");
            }
            outputs.forEach(id -> Rules.cuePair(session, rig, id));
            return session.change(cue, each -> each.alsoOutTo(outputs));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, cue) + ": "
                    + (outputs.isEmpty()
                            ? "no further output"
                            : "also out by "
                                    + outputs.stream()
                                            .map(id -> Rules.name(rig, id))
                                            .collect(Collectors.joining(" and ")));
        }
    }

    /** Makes a cue's mix the same as another one's; who hears it, where it leaves, its guard and what is heard direct stay. */
    record CopyCue(CueId cue, CueId from) implements CueEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, cue);
            Cue source = Rules.known(session, from);
            return session.change(cue, each -> each.soundingAs(source));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, cue) + ": the mix of " + Rules.name(session, from);
        }
    }

    /** Says whether the main level moves a cue's level as well. */
    record LinkCueLevel(CueId cue, boolean linked) implements OfOne {

        @Override
        public Cue of(Cue was) {
            return was.linkedToMain(linked);
        }

        @Override
        public String words(Cue was) {
            return linked ? "level linked to the main level" : "level of its own";
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

    /** Sets a cue's level. */
    record SetCueLevel(CueId cue, Decibels level) implements OfOne {

        @Override
        public Cue of(Cue was) {
            Decibels set = Rules.fader(level, "A cue level");
            return was.at(set);
        }

        @Override
        public String words(Cue was) {
            return "cue level " + level;
        }
    }

    /** Puts the ceiling guard before a cue's output pair, or takes it away. */
    record SetCueGuard(CueId cue, boolean guarded) implements OfOne {

        @Override
        public Cue of(Cue was) {
            return was.guarded(guarded);
        }

        @Override
        public String words(Cue was) {
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
        public String words(Cue was) {
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
        public String words(Cue was) {
            return "low-pass " + (on ? Math.round(hz) + " Hz" : "off");
        }
    }

    /**
     * Switches a cue's compressor and sets it: threshold and make-up gain in dB, ratio to 1, attack and release in ms. What is left
     * out stays.
     */
    record SetCueCompressor(
            CueId cue,
            Optional<Boolean> on,
            Optional<Double> thresholdDbfs,
            Optional<Double> ratio,
            Optional<Double> attackMs,
            Optional<Double> releaseMs,
            Optional<Double> makeUpDb)
            implements OfOne {

        /** All of it. */
        static SetCueCompressor to(CueId cue, Compressor one) {
            return new SetCueCompressor(
                    cue,
                    Optional.of(one.on()),
                    Optional.of(one.thresholdDbfs()),
                    Optional.of(one.ratio()),
                    Optional.of(one.attackMs()),
                    Optional.of(one.releaseMs()),
                    Optional.of(one.makeUpDb()));
        }

        @Override
        public Cue of(Cue was) {
            return was.compressed(set(was.compressor()));
        }

        private Compressor set(Compressor was) {
            return new Compressor(
                    on.orElse(was.on()),
                    set(Compressor.Range.THRESHOLD, thresholdDbfs, was.thresholdDbfs(), "thresholdDbfs"),
                    set(Compressor.Range.RATIO, ratio, was.ratio(), "ratio"),
                    set(Compressor.Range.ATTACK, attackMs, was.attackMs(), "attackMs"),
                    set(Compressor.Range.RELEASE, releaseMs, was.releaseMs(), "releaseMs"),
                    set(Compressor.Range.MAKE_UP, makeUpDb, was.makeUpDb(), "makeUpDb"));
        }

        private static double set(Compressor.Range range, Optional<Double> wanted, double was, String field) {
            return wanted.map(value -> Rules.within(range, value, field)).orElse(was);
        }

        @Override
        public String words(Cue was) {
            return "compressor " + set(was.compressor()).words();
        }
    }

    /** Switches a cue's comfort reverb, chooses its room, and says how loud it comes back. What is left out stays. */
    record SetCueComfort(CueId cue, Optional<Boolean> on, Optional<Comfort.Room> room, Optional<Decibels> level)
            implements OfOne {

        /** All of it. */
        static SetCueComfort to(CueId cue, Comfort one) {
            return new SetCueComfort(cue, Optional.of(one.on()), Optional.of(one.room()), Optional.of(one.level()));
        }

        @Override
        public Cue of(Cue was) {
            return was.comforted(set(was.comfort()));
        }

        private Comfort set(Comfort was) {
            return new Comfort(
                    on.orElse(was.on()),
                    room.orElse(was.room()),
                    level.map(wanted -> Rules.fader(wanted, "A comfort reverb")).orElse(was.level()),
                    was.echo());
        }

        @Override
        public String words(Cue was) {
            return "comfort reverb " + set(was.comfort()).words();
        }
    }

    /** Gives a cue an echo in time with the song, of what goes into its comfort reverb, or takes it away. */
    record SetCueEcho(CueId cue, Optional<Echo> echo) implements OfOne {

        @Override
        public Cue of(Cue was) {
            return was.comforted(was.comfort().echoing(echo.map(SetCueEcho::checked)));
        }

        private static Echo checked(Echo wanted) {
            Rules.within(
                    wanted.fallDb(),
                    Echo.LEAST_FALL_DB,
                    Echo.MOST_FALL_DB,
                    "By how much an echo falls in dB",
                    "echo/fallDb");
            return new Echo(wanted.after(), wanted.fallDb(), Rules.fader(wanted.level(), "An echo"));
        }

        @Override
        public String words(Cue was) {
            return echo.map(Echo::words).orElse("no echo");
        }
    }

    /** Says to which ears a cue's sides go. */
    record SetCueEars(CueId cue, Ears ears) implements OfOne {

        @Override
        public Cue of(Cue was) {
            return was.at(ears);
        }

        @Override
        public String words(Cue was) {
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
                SetCueComfort.to(id, cue.comfort()),
                new SetCueEcho(id, cue.comfort().echo()),
                new SetCueListeners(id, cue.listeners()))) {
            edit.applyTo(session, rig);
        }
        Rules.requireDifferent(cue.listeners(), each -> each, "listeners of " + cue.name() + " are the same performer");
        Rules.requireDifferent(cue.sends(), Send::trackId, "sends of cue " + cue.name() + " are of one track");
    }
}
