package vividlantern.session.edit;

import java.util.Optional;
import vividlantern.basics.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.song.NoteValue;
import vividlantern.session.song.TempoMap;
import vividlantern.units.PlainNumber;

/** Changes of the tempo map at one place, told by bar and beat as people count them, both from 1. */
public sealed interface TempoEdit extends Edit {

    private static Session with(Session session, TempoMap map) {
        String fault = map.fault();
        if (!fault.isEmpty()) {
            throw new Refused(fault, "tempoMap");
        }
        return session.with(map.inSteps());
    }

    private static double quarter(Session session, int bar, double beat) {
        int beats = session.tempoMap().curve().beatsIn(Math.max(1, bar));
        if (bar < 1) {
            throw new Refused("Bars are counted from 1.", "bar");
        }
        if (!(beat >= 1 && beat < beats + 1)) {
            throw new Refused(
                    "Bar " + bar + " has beats 1 to " + beats + "; " + PlainNumber.of(beat) + " is none.", "beat");
        }
        return session.tempoMap().curve().quarterOf(bar, beat - 1);
    }

    private static String place(int bar, double beat) {
        return "bar " + bar + (beat == 1 ? "" : ", beat " + PlainNumber.of(beat));
    }

    /** Sets the tempo from a place on, in steps of 0.01; {@code rampToNext} moves it evenly to the next one. */
    record SetTempo(int bar, double beat, double beatsPerMinute, NoteValue unit, boolean rampToNext)
            implements TempoEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            double quarter = quarter(session, bar, beat);
            TempoMap map = session.tempoMap();
            boolean moved = map.tempoAt(quarter).map(TempoMap.Tempo::rampToNext).orElse(false);
            if (rampToNext && !moved && map.tempos().stream().noneMatch(each -> each.atQuarter() > quarter)) {
                throw new Refused(
                        "A tempo glides to the next one, and there is none after " + place(bar, beat)
                                + ". Write that one first.",
                        "rampToNext");
            }
            return with(session, map.with(new TempoMap.Tempo(quarter, beatsPerMinute, unit, rampToNext)));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Tempo: " + PlainNumber.of(beatsPerMinute) + " from " + place(bar, beat)
                    + (rampToNext ? ", moving to the next" : "");
        }
    }

    /** Moves a tempo to another place, between the tempos before and behind it. The first one stays. */
    record MoveTempo(int bar, double beat, int toBar, double toBeat) implements TempoEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            TempoMap map = session.tempoMap();
            TempoMap.Tempo there = beginning(session, bar, beat);
            if (there.equals(map.tempos().get(0))) {
                throw new Refused("A song has a tempo at its beginning. Change it instead.", "bar");
            }
            double quarter = quarter(session, toBar, toBeat);
            int at = map.tempos().indexOf(there);
            boolean within = quarter > map.tempos().get(at - 1).atQuarter()
                    && (at + 1 == map.tempos().size()
                            || quarter < map.tempos().get(at + 1).atQuarter());
            if (!within) {
                throw new Refused("A tempo moves between the one before it and the one behind it.", "toBar");
            }
            return with(
                    session,
                    map.without(there)
                            .with(new TempoMap.Tempo(
                                    quarter, there.beatsPerMinute(), there.unit(), there.rampToNext())));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Tempo: moved from " + place(bar, beat) + " to " + place(toBar, toBeat);
        }
    }

    private static TempoMap.Tempo beginning(Session session, int bar, double beat) {
        return session.tempoMap()
                .tempoAt(quarter(session, bar, beat))
                .orElseThrow(() -> new Refused("No tempo begins at " + place(bar, beat) + ".", "bar"));
    }

    /** Takes a tempo away; the one before it goes on. The first one stays. */
    record RemoveTempo(int bar, double beat) implements TempoEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            TempoMap map = session.tempoMap();
            TempoMap.Tempo there = beginning(session, bar, beat);
            if (there.equals(map.tempos().get(0))) {
                throw new Refused("A song has a tempo at its beginning. Change it instead.", "bar");
            }
            return with(session, map.without(there));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Tempo: no change at " + place(bar, beat);
        }
    }

    /**
     * Sets the time signature from a bar on. Tempos and markers stay in their bars.
     *
     * @param feltIn in how many people count it; as it is written if it is left out
     */
    record SetMeter(int bar, int beats, int noteValue, Optional<Integer> feltIn) implements TempoEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            return with(session, session.tempoMap().with(new TempoMap.Meter(bar, beats, noteValue, feltIn.orElse(0))));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Time signature: " + beats + "/" + noteValue
                    + feltIn.filter(counts -> counts != 0 && counts != beats)
                            .map(counts -> " felt in " + counts)
                            .orElse("")
                    + " from bar " + bar;
        }
    }

    /**
     * Lets the song begin before bar 1, by so many beats of its first time signature, as they are counted; with 0 it begins at bar 1.
     * Rounded to 1/24 of a quarter note, so that a third of a beat may be said as 0.33.
     */
    record SetPickUp(double beats) implements TempoEdit {

        private static final int FINEST = 24;

        @Override
        public Session applyTo(Session session, Rig rig) {
            TempoMap map = session.tempoMap();
            double quarters = beats * map.meters().get(0).quartersPerCount();
            return with(session, map.pickedUp(Math.rint(quarters * FINEST) / FINEST));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return beats == 0
                    ? "Song: begins at bar 1"
                    : "Song: a pick-up of " + PlainNumber.of(beats) + (beats == 1 ? " beat" : " beats");
        }
    }

    /** Says with which bar the song ends; left out, it has no end. */
    record SetSongEnd(Optional<Integer> lastBar) implements TempoEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            return with(session, session.tempoMap().endingWith(lastBar));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return lastBar.map(bar -> "Song: ends with bar " + bar).orElse("Song: no end");
        }
    }

    /** Takes a time signature away; the one before it goes on. The first one stays. */
    record RemoveMeter(int bar) implements TempoEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            TempoMap map = session.tempoMap();
            TempoMap.Meter there = map.meters().stream()
                    .filter(meter -> meter.bar() == bar)
                    .findFirst()
                    .orElseThrow(() -> new Refused("No time signature begins at bar " + bar + ".", "bar"));
            if (there.equals(map.meters().get(0))) {
                throw new Refused("A song has a time signature at its beginning. Change it instead.", "bar");
            }
            return with(session, map.without(there));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Time signature: no change at bar " + bar;
        }
    }

    /** Refuses one that no edit would have let in. */
    static void check(TempoMap map, Session session, Rig rig) {
        new SongEdit.SetTempoMap(map).applyTo(session, rig);
    }
}
