package vividlantern.session.edit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.Rig;
import vividlantern.session.PartKind;
import vividlantern.session.Parts;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.edit.MarkerEdit.SetMarker;
import vividlantern.session.song.ClickPattern;
import vividlantern.session.song.MarkerId;
import vividlantern.session.song.Media;
import vividlantern.session.song.SongEntry;
import vividlantern.session.song.TempoMap;
import vividlantern.session.song.VoiceId;
import vividlantern.units.PlainNumber;

/** Changes of the song: what it counts by, and what the song list says of it. */
public sealed interface SongEdit extends Edit {

    /**
     * Sets the voices of the click, at most eight with ids of their own, its count-in, 0 to 8 bars, and where it is silent. The
     * voices that tracks carry must stay.
     */
    record SetClick(ClickPattern click) implements SongEdit {

        private static final int HIGHEST_ACCENT_DB = 12;
        private static final int MOST_STEPS = 384;
        public static final int LOWEST_PITCH_HZ = 100;
        public static final int HIGHEST_PITCH_HZ = 8000;
        public static final int SHORTEST_DECAY_MS = 1;
        public static final int LONGEST_DECAY_MS = 200;

        @Override
        public Session applyTo(Session session, Rig rig) {
            if (click.countInBars() < 0 || click.countInBars() > ClickPattern.MOST_COUNT_IN_BARS) {
                throw new Refused("A count-in has 0 to " + ClickPattern.MOST_COUNT_IN_BARS + " bars.", "click");
            }
            if (click.stopsAfterBars() < 0 || click.stopsAfterBars() > ClickPattern.MOST_BARS_UNTIL_SILENT) {
                throw new Refused(
                        "A click stops after 1 to " + ClickPattern.MOST_BARS_UNTIL_SILENT
                                + " bars, or goes on for good with 0.",
                        "click");
            }
            if (click.countInOnly() && click.whileStopped()) {
                throw new Refused(
                        "A click that is silent after the count-in does not sound while the song stands.", "click");
            }
            click.parts().forEach(part -> Rules.known(session, part));
            if (click.voices().size() > ClickPattern.MOST_VOICES) {
                throw new Refused("A click has at most " + ClickPattern.MOST_VOICES + " voices.", "click");
            }
            Set<VoiceId> ids = new HashSet<>();
            for (ClickPattern.Voice voice : click.voices()) {
                Ids.require(voice.id().value(), "id");
                Texts.name(voice.name(), "A click voice", "name");
                if (!ids.add(voice.id())) {
                    throw new Refused("Two click voices have the id '" + voice.id() + "'.", "click");
                }
                sounds(voice);
            }
            for (Track track : session.tracks()) {
                if (track.voice().isPresent()
                        && click.voices().stream()
                                .noneMatch(voice -> track.voice().equals(Optional.of(voice.id())))) {
                    throw new Refused(
                            "Track \"" + track.name() + "\" carries the click voice \""
                                    + track.voice().get() + "\", which is missing.",
                            "click");
                }
            }
            return session.with(click);
        }

        private static void sounds(ClickPattern.Voice voice) {
            if (!isPitch(voice.pitchHz())
                    || !voice.accentPitchHz().map(SetClick::isPitch).orElse(true)
                    || voice.stepsPerBeat() < 1
                    || voice.stepsPerBeat() > 12) {
                throw new Refused(
                        "A click voice has a pitch of " + LOWEST_PITCH_HZ + " to " + HIGHEST_PITCH_HZ
                                + " Hz and 1 to 12 steps a beat.",
                        "click");
            }
            if (voice.decayMs()
                    .filter(ms -> !(ms >= SHORTEST_DECAY_MS && ms <= LONGEST_DECAY_MS))
                    .isPresent()) {
                throw new Refused(
                        "A stroke falls in " + SHORTEST_DECAY_MS + " to " + LONGEST_DECAY_MS + " ms.", "click");
            }
            voice.ownSound().ifPresent(own -> isShort(voice, own));
            voice.patterns().forEach(pattern -> falls(voice, pattern));
            boolean accented = voice.accent().value() >= 0 && voice.accent().value() <= HIGHEST_ACCENT_DB;
            if (!voice.accent().isOff() && !accented) {
                throw new Refused(
                        "An accent is off or 0 to " + HIGHEST_ACCENT_DB + " dB louder than the other strokes; "
                                + voice.accent() + " is not.",
                        "click");
            }
        }

        private static boolean isPitch(double hz) {
            return hz >= LOWEST_PITCH_HZ && hz <= HIGHEST_PITCH_HZ;
        }

        private static void isShort(ClickPattern.Voice voice, Media own) {
            Rules.sound(own);
            if (own.seconds() > ClickPattern.Voice.LONGEST_OWN_SECONDS) {
                throw new Refused(
                        own.name() + " lasts " + PlainNumber.of(Math.ceil(100 * own.seconds()) / 100)
                                + " s. A sound that " + voice.name() + " strikes lasts up to "
                                + PlainNumber.of(ClickPattern.Voice.LONGEST_OWN_SECONDS) + " s.",
                        "click");
            }
        }

        private static void falls(ClickPattern.Voice voice, ClickPattern.BarPattern pattern) {
            if (pattern.strokes().size() > MOST_STEPS
                    || pattern.strokes().size() != pattern.beats() * voice.stepsPerBeat()) {
                throw new Refused(
                        "A bar of " + pattern.beats() + "/" + pattern.noteValue() + " has "
                                + pattern.beats() * voice.stepsPerBeat() + " steps of " + voice.name() + "; "
                                + pattern.strokes().size() + " were given.",
                        "click");
            }
            if (pattern.strokes().stream().allMatch(stroke -> stroke == ClickPattern.Stroke.SILENT)) {
                throw new Refused(
                        "A bar without any stroke is a click that is off. Turn " + voice.name()
                                + " off where it shall not be heard.",
                        "click");
            }
        }

        @Override
        public String summary(Session session, Rig rig) {
            ClickPattern was = session.click();
            List<String> words = new ArrayList<>();
            if (was.countInBars() != click.countInBars()) {
                words.add("counts in for " + bars(click.countInBars()));
            }
            if (!was.when().equals(click.when())) {
                words.add("sounds " + click.when());
            }
            if (was.stopsAfterBars() != click.stopsAfterBars()) {
                words.add(
                        click.stopsAfterBars() == 0 ? "does not stop" : "stops after " + bars(click.stopsAfterBars()));
            }
            if (!was.silentIn().equals(click.silentIn())) {
                words.add("silent in " + click.silentIn().size()
                        + (click.silentIn().size() == 1 ? " part" : " parts"));
            }
            click.voices().stream()
                    .filter(voice -> !was.voices().contains(voice))
                    .forEach(voice -> words.add(voice.name() + " changed"));
            was.voices().stream()
                    .filter(old -> click.voices().stream()
                            .noneMatch(voice -> voice.id().equals(old.id())))
                    .forEach(old -> words.add(old.name() + " removed"));
            return "Click: " + (words.isEmpty() ? "changed" : String.join(", ", words));
        }

        private static String bars(int count) {
            return count + (count == 1 ? " bar" : " bars");
        }
    }

    /** Lets another part of the song begin at a bar, under the first number that is free. */
    record AddPart(int bar) implements SongEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            String name = name(session);
            MarkerId marker = new MarkerId(Parts.freshId(session, PartKind.MARKER, name));
            return new SetMarker(marker, name, bar).applyTo(session, rig);
        }

        private static String name(Session session) {
            return IntStream.iterate(1, number -> number + 1)
                    .mapToObj(number -> "Part " + number)
                    .filter(name -> session.markers().stream()
                            .noneMatch(each -> each.name().equalsIgnoreCase(name)))
                    .findFirst()
                    .orElseThrow();
        }

        @Override
        public String summary(Session session, Rig rig) {
            return name(session) + " begins at bar " + bar;
        }
    }

    /** Adds a low voice to the click, and a track for it that is in no cue yet. */
    record AddVoice() implements SongEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Session louder = new SetClick(session.click().withLowVoice()).applyTo(session, rig);
            ClickPattern.Voice voice = last(louder.click());
            TrackId track = new TrackId(Parts.freshId(session, PartKind.TRACK, voice.name()));
            return new TrackEdit.AddClick(track, voice.name(), voice.id()).applyTo(louder, rig);
        }

        private static ClickPattern.Voice last(ClickPattern click) {
            return click.voices().get(click.voices().size() - 1);
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Click: " + last(session.click().withLowVoice()).name() + " added";
        }
    }

    /** Removes a voice of the click with the tracks that carry it. */
    record RemoveVoice(VoiceId voice) implements SongEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            named(session);
            Session without = session;
            for (Track track : session.tracks()) {
                if (track.voice().equals(Optional.of(voice))) {
                    without = new TrackEdit.RemoveTrack(track.id()).applyTo(without, rig);
                }
            }
            return new SetClick(without.click().without(voice)).applyTo(without, rig);
        }

        private String named(Session session) {
            return session.click().voices().stream()
                    .filter(each -> each.id().equals(voice))
                    .findFirst()
                    .orElseThrow(() -> new Refused("The click has no voice '" + voice + "'.", "voice"))
                    .name();
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Click: " + named(session) + " removed";
        }
    }

    /** Sets tempos, in steps of 0.01 beats a minute, and time signatures. */
    record SetTempoMap(TempoMap tempoMap) implements SongEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            String fault = tempoMap.fault();
            if (!fault.isEmpty()) {
                throw new Refused(fault, "tempoMap");
            }
            return session.with(tempoMap.inSteps());
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Tempo map: changed";
        }
    }

    /** Says in which key the song is, and what else is to be known of it. */
    record DescribeSong(String key, String notes) implements SongEdit {

        private static final int LONGEST_KEY = 20;

        @Override
        public Session applyTo(Session session, Rig rig) {
            String written = Texts.optional(key, "key");
            if (written.length() > LONGEST_KEY) {
                throw new Refused("A key has at most " + LONGEST_KEY + " characters, as \"F# minor\" has.", "key");
            }
            SongEntry was = session.songListed();
            return session.with(
                    Optional.of(new SongEntry(was.production(), was.place(), written, Texts.optional(notes, "notes"))));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Song: key " + (key.isBlank() ? "not said" : key) + (notes.isBlank() ? "" : "; " + notes);
        }
    }

    /** Puts the song into the list of a production, where its place is among the others'. */
    record PlaceSong(SessionId production, double place) implements SongEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Ids.require(production.value(), "production");
            if (!Double.isFinite(place)) {
                throw new Refused("A place in the song list is a number.", "place");
            }
            SongEntry was = session.songListed();
            return session.with(Optional.of(new SongEntry(production, place, was.key(), was.notes())));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Song: moved in the song list";
        }
    }

    /** Refuses a click that no edit would have let in. */
    static void check(ClickPattern click, Session session, Rig rig) {
        new SetClick(click).applyTo(session, rig);
    }

    /** Refuses an entry of the song list that no edit would have let in. */
    static void checkEntry(SongEntry entry, Session session, Rig rig) {
        new PlaceSong(entry.production(), entry.place()).applyTo(session, rig);
        new DescribeSong(entry.key(), entry.notes()).applyTo(session, rig);
    }
}
