package vividlantern.sim;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import vividlantern.session.song.NoteValue;
import vividlantern.session.song.TempoCurve;
import vividlantern.session.song.TempoMap;

/**
 * "The Ferryman's Daughter": a waltz in D, with a slower middle part in four and a slowing end, written out for five
 * players. Positions are in quarter notes, so it follows any tempo map.
 */
final class Tune {

    /** Its tempo map: 3/4 at 138, from bar 33 4/4 at 96, from bar 41 as before, slowing from bar 57 to the last. */
    static final TempoMap TEMPO_MAP = new TempoMap(
            List.of(
                    new TempoMap.Tempo(0, 138, NoteValue.CROTCHET, false),
                    new TempoMap.Tempo(96, 96, NoteValue.CROTCHET, false),
                    new TempoMap.Tempo(128, 138, NoteValue.CROTCHET, false),
                    new TempoMap.Tempo(176, 138, NoteValue.CROTCHET, true),
                    new TempoMap.Tempo(188, 80, NoteValue.CROTCHET, false)),
            List.of(new TempoMap.Meter(1, 3, 4), new TempoMap.Meter(33, 4, 4), new TempoMap.Meter(41, 3, 4)));

    /** Where the last note has ended, in quarter notes. */
    static final double END = 192;

    private static final String FIRST = """
            D5 1 F5 .5 E5 .5 D5 1 | A4 2 D5 1 | C5 1 E5 .5 D5 .5 C5 1 | G4 2 C5 1 |
            F5 1 A5 .5 G5 .5 F5 1 | E5 1 G5 .5 F5 .5 E5 1 | D5 1 E5 1 C5 1 | A4 3 |
            D5 1 F5 .5 E5 .5 D5 1 | A4 2 D5 1 | C5 1 E5 .5 D5 .5 C5 1 | G4 2 C5 1 |
            F5 1.5 E5 .5 D5 1 | C5 1 E5 1 G4 1 | A4 1 C5 1 E5 1 | D5 3 |""";
    private static final String SECOND = """
            A5 2 G5 1 | F5 1 E5 1 D5 1 | G5 2 F5 1 | E5 1 D5 1 C5 1 |
            F5 2 E5 1 | D5 1 C5 1 A4 1 | B4 1 C5 1 D5 1 | E5 3 |
            A5 2 G5 1 | F5 1 E5 1 D5 1 | G5 2 F5 1 | E5 1 D5 1 C5 1 |
            F5 1 E5 1 D5 1 | E5 1 D5 1 C5 1 | D5 1 C5 1 A4 1 | D5 3 |""";
    private static final String SLOW = """
            D5 2 F5 2 | E5 3 D5 1 | C5 2 E5 2 | D5 4 | F5 2 A5 2 | G5 3 F5 1 | E5 2 C5 2 | D5 4 |""";
    private static final String LAST = "F5 1.5 E5 .5 D5 1 | C5 1 E5 1 G4 1 | A4 1 C5 1 E5 1 | C5 2 E5 1 | D5 3 |";

    private static final String CHORDS = """
            Dm Dm C C F C Am Am Dm Dm C C F C Am Dm
            F Dm G C Dm Am G Am F Dm G C Dm C Am Dm
            Dm Am C G F C Am Dm
            Dm Dm C C F C Am Am Dm Dm C C F C Am Dm
            F C Am Am Dm""";
    private static final Map<String, int[]> TONES = Map.of(
            "Dm", new int[] {50, 57, 62, 65, 69},
            "C", new int[] {48, 55, 60, 64, 67},
            "F", new int[] {53, 48, 60, 65, 69},
            "Am", new int[] {45, 52, 60, 64, 69},
            "G", new int[] {43, 50, 59, 62, 67});
    private static final Map<Character, Integer> STEPS =
            Map.of('C', 0, 'D', 2, 'E', 4, 'F', 5, 'G', 7, 'A', 9, 'B', 11);
    private static final int BARS = 61;

    private final TempoCurve bars = TEMPO_MAP.curve();
    private final String[] chords = CHORDS.strip().split("\\s+");

    List<Note> fiddle() {
        List<Note> notes = new ArrayList<>();
        notes.addAll(melody(FIRST, 1, 0, 0.9));
        notes.addAll(lower(melody(SECOND, 17, 0, 0.6)));
        notes.addAll(melody(SLOW, 33, 0, 0.45));
        notes.addAll(melody(FIRST, 41, 0, 0.95));
        notes.addAll(melody(LAST, 57, 0, 0.85));
        return notes;
    }

    List<Note> voice() {
        List<Note> notes = new ArrayList<>();
        notes.addAll(melody(SECOND, 17, -12, 0.9));
        notes.addAll(melody(SLOW, 33, -12, 0.75));
        notes.addAll(melody(FIRST, 41, -12, 0.8));
        notes.addAll(melody(LAST, 57, -12, 0.9));
        return notes;
    }

    List<Note> accordionTreble() {
        List<Note> notes = new ArrayList<>();
        for (int bar = 1; bar <= BARS; bar++) {
            int[] tones = tones(bar);
            boolean held = bars.beatsIn(bar) == 4 || bar == BARS;
            for (int voice = 2; voice < 5; voice++) {
                int pitch = tones[voice];
                if (held) {
                    notes.add(new Note(quarter(bar, 0), bars.beatsIn(bar) - 0.1, pitch, 0.55));
                } else {
                    notes.add(new Note(quarter(bar, 1), 0.45, pitch, 0.65));
                    notes.add(new Note(quarter(bar, 2), 0.45, pitch, 0.6));
                }
            }
        }
        return notes;
    }

    List<Note> accordionBass() {
        List<Note> notes = new ArrayList<>();
        for (int bar = 1; bar <= BARS; bar++) {
            int[] tones = tones(bar);
            notes.add(new Note(quarter(bar, 0), 0.8, tones[0], 0.9));
            for (int beat = 1; beat < bars.beatsIn(bar); beat++) {
                notes.add(new Note(quarter(bar, beat), 0.35, tones[1], 0.5));
            }
        }
        return notes;
    }

    List<Note> bass() {
        List<Note> notes = new ArrayList<>();
        for (int bar = 1; bar <= BARS; bar++) {
            int root = tones(bar)[0] - 12;
            int fifth = tones(bar)[1] - 12;
            if (bars.beatsIn(bar) == 4) {
                notes.add(new Note(quarter(bar, 0), 1.9, root, 0.8));
                notes.add(new Note(quarter(bar, 2), 1.9, fifth, 0.7));
            } else {
                notes.add(new Note(quarter(bar, 0), bar % 2 == 1 ? 2.8 : 1.9, root, 0.9));
                if (bar % 2 == 0) {
                    notes.add(new Note(quarter(bar, 2), 0.9, fifth, 0.7));
                }
            }
        }
        return notes;
    }

    List<Note> bouzouki() {
        List<Note> notes = new ArrayList<>();
        int[] order = {2, 4, 3, 4, 2, 3, 4, 3};
        for (int bar = 1; bar < BARS; bar++) {
            int[] tones = tones(bar);
            for (int half = 0; half < 2 * bars.beatsIn(bar); half++) {
                notes.add(new Note(quarter(bar, half / 2.0), 0.9, tones[order[half]], half % 2 == 0 ? 0.8 : 0.55));
            }
        }
        notes.add(new Note(quarter(BARS, 0), 3, 62, 0.8));
        return notes;
    }

    /** One tone of each bar's chord, held through the bar. */
    List<Note> held(int voice) {
        List<Note> notes = new ArrayList<>();
        for (int bar = 1; bar <= BARS; bar++) {
            notes.add(new Note(quarter(bar, 0), bars.beatsIn(bar) - 0.1, tones(bar)[voice], 0.6));
        }
        return notes;
    }

    List<Note> cajonLow() {
        List<Note> notes = new ArrayList<>();
        for (int bar = 1; bar <= BARS; bar++) {
            notes.add(new Note(quarter(bar, 0), 1, 0, 0.9));
            if (bars.beatsIn(bar) == 4) {
                notes.add(new Note(quarter(bar, 2.5), 1, 0, 0.6));
            }
        }
        return notes;
    }

    List<Note> cajonHigh() {
        List<Note> notes = new ArrayList<>();
        for (int bar = 1; bar < BARS; bar++) {
            boolean inFour = bars.beatsIn(bar) == 4;
            notes.add(new Note(quarter(bar, 1), 1, 0, 0.7));
            notes.add(new Note(quarter(bar, inFour ? 3 : 2), 1, 0, 0.6));
            if (bar % 4 == 0) {
                notes.add(new Note(quarter(bar, bars.beatsIn(bar) - 0.5), 1, 0, 0.4));
            }
        }
        return notes;
    }

    List<Note> shaker() {
        List<Note> notes = new ArrayList<>();
        for (int bar = 1; bar < BARS; bar++) {
            for (int half = 0; half < 2 * bars.beatsIn(bar); half++) {
                notes.add(new Note(quarter(bar, half / 2.0), 1, 0, half == 0 ? 1 : half % 2 == 0 ? 0.75 : 0.5));
            }
        }
        return notes;
    }

    private double quarter(int bar, double beat) {
        return bars.quarterOf(bar, beat);
    }

    private int[] tones(int bar) {
        return TONES.get(chords[bar - 1]);
    }

    /** Reads "D5 1 F5 .5 | …": pitch and length in quarter notes, bar by bar. */
    private List<Note> melody(String text, int firstBar, int transposition, double strength) {
        List<Note> notes = new ArrayList<>();
        int bar = firstBar;
        for (String written : text.split("\\|")) {
            String[] words = written.strip().split("\\s+");
            double beat = 0;
            for (int at = 0; at + 1 < words.length; at += 2) {
                double length = Double.parseDouble(words[at + 1]);
                notes.add(new Note(quarter(bar, beat), length * 0.94, pitch(words[at]) + transposition, strength));
                beat += length;
            }
            bar++;
        }
        return notes;
    }

    /** A second voice below a melody: the next lower tone of the chord. */
    private List<Note> lower(List<Note> melody) {
        return melody.stream()
                .map(note -> {
                    int[] tones = tones(bars.barAt(note.quarter()));
                    int pitch = note.pitch() - 3;
                    while (!inChord(tones, pitch)) {
                        pitch--;
                    }
                    return new Note(note.quarter(), note.quarters(), pitch, note.strength());
                })
                .toList();
    }

    private static boolean inChord(int[] tones, int pitch) {
        for (int tone : tones) {
            if (Math.floorMod(tone - pitch, 12) == 0) {
                return true;
            }
        }
        return false;
    }

    private static int pitch(String name) {
        return 12 * (name.charAt(1) - '0' + 1) + STEPS.get(name.charAt(0));
    }
}
