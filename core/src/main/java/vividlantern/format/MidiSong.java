package vividlantern.format;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
import vividlantern.session.PartKind;
import vividlantern.session.Session;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.MarkerEdit.RemoveMarker;
import vividlantern.session.edit.MarkerEdit.SetMarker;
import vividlantern.session.edit.SongEdit.SetTempoMap;
import vividlantern.session.song.Marker;
import vividlantern.session.song.MarkerId;
import vividlantern.session.song.NoteValue;
import vividlantern.session.song.TempoCurve;
import vividlantern.session.song.TempoMap;

/**
 * What a Standard MIDI File says of a song: tempos, time signatures, parts. Tempos are read in steps of 0.01; what {@link MidiTempo}
 * writes in texts of our own (lines of tempo, a pick-up, the end) is read back from those. Whatever is of no use here is passed over.
 *
 * @param notes what was understood otherwise than it stands there, in sentences
 */
public record MidiSong(TempoMap tempoMap, List<Part> parts, List<String> notes) {

    /** A part of the song, at a bar. */
    public record Part(String name, int bar) {}

    private static final int LONGEST_NAME = 100;
    private static final double USUAL_TEMPO = 120;
    private static final double ON_THE_BAR = 1e-3;
    private static final int TEXT = 0x01;
    private static final int MARKER = 0x06;
    private static final int TEMPO = 0x51;
    private static final int TIME_SIGNATURE = 0x58;
    private static final Pattern RAMP = Pattern.compile("vivid-lantern ramp (\\S+) (\\S+) (\\S+)");
    private static final Pattern FELT = Pattern.compile("vivid-lantern felt (\\d{1,2})");
    private static final Pattern COUNTS = Pattern.compile("vivid-lantern counts ([A-Z_]+)");
    private static final Pattern SONG = Pattern.compile("vivid-lantern song (\\S+) (\\d+|open)");

    /** A line of tempo, from a position on. */
    private record Ramp(double from, double to, double quarters) {}

    /** A time signature as it stands in the file. */
    private record Signature(int beats, int noteValue, int feltIn) {}

    /**
     * The edits that give a session this song: its tempos and time signatures, and its parts if there are any. A part that the
     * session has by name is moved, so that it keeps what else is known of it.
     */
    public List<Edit> edits(Session session) {
        List<Edit> edits = new ArrayList<>();
        edits.add(new SetTempoMap(tempoMap));
        if (parts.isEmpty()) {
            return edits;
        }
        Map<Part, MarkerId> ids = ids(session);
        Map<Integer, MarkerId> taken = new HashMap<>();
        session.markers().forEach(marker -> {
            if (ids.containsValue(marker.id())) {
                taken.put(marker.bar(), marker.id());
            } else {
                edits.add(new RemoveMarker(marker.id()));
            }
        });
        List<Part> left = new ArrayList<>(parts);
        while (!left.isEmpty()) {
            Part next = left.stream()
                    .filter(part -> ids.get(part).equals(taken.getOrDefault(part.bar(), ids.get(part))))
                    .findFirst()
                    .orElse(left.get(0));
            MarkerId id = ids.get(next);
            MarkerId inTheWay = taken.get(next.bar());
            if (inTheWay != null && !inTheWay.equals(id)) {
                edits.add(new RemoveMarker(inTheWay));
            }
            taken.values().remove(id);
            taken.put(next.bar(), id);
            edits.add(new SetMarker(id, next.name(), next.bar()));
            left.remove(next);
        }
        return edits;
    }

    /** The marker of each part: the one of its name, or a new one. */
    private Map<Part, MarkerId> ids(Session session) {
        Map<Part, MarkerId> ids = new HashMap<>();
        Set<String> taken = new HashSet<>();
        session.markers().forEach(marker -> taken.add(marker.id().value()));
        for (Part part : parts) {
            MarkerId id = session.markers().stream()
                    .filter(marker -> marker.name().equalsIgnoreCase(part.name()))
                    .findFirst()
                    .map(Marker::id)
                    .orElseGet(() -> new MarkerId(Ids.fresh(part.name(), taken::contains)));
            taken.add(id.value());
            ids.put(part, id);
        }
        return ids;
    }

    /**
     * Reads a file.
     *
     * @throws Refused with the reason, if it is none, or holds what a song cannot be
     */
    public static MidiSong read(byte[] file) {
        return new Reading(file).song();
    }

    private static Refused refused(String why) {
        return new Refused("This MIDI file was not taken in. " + why, "file");
    }

    /** A file while it is read. */
    private static final class Reading {

        private final ByteBuffer file;
        private int division;
        /** By their positions, in quarter notes from the file's beginning. */
        private final TreeMap<Double, Double> tempos = new TreeMap<>();

        private final TreeMap<Double, Signature> signatures = new TreeMap<>();
        private final TreeMap<Double, Ramp> ramps = new TreeMap<>();
        private final Map<Double, Integer> feltIn = new HashMap<>();
        private final Map<Double, NoteValue> counts = new HashMap<>();
        private final TreeMap<Double, String> markers = new TreeMap<>();
        private final List<String> notes = new ArrayList<>();
        private double pickUp;
        private Optional<Integer> lastBar = Optional.empty();

        Reading(byte[] bytes) {
            file = ByteBuffer.wrap(bytes);
        }

        MidiSong song() {
            int tracks = header();
            int read = 0;
            while (read < tracks && file.remaining() >= 8) {
                boolean isTrack = word().equals("MTrk");
                int length = file.getInt();
                if (length < 0 || length > file.remaining()) {
                    throw refused("It is cut off.");
                }
                int end = file.position() + length;
                if (isTrack) {
                    track(end);
                    read++;
                }
                file.position(end);
            }
            if (read < tracks) {
                throw refused("It is cut off: it says that it has " + tracks + " tracks, and " + read + " are there.");
            }
            TempoMap bars = sound(meters());
            TempoMap map = new TempoMap(tempos(bars.curve()), bars.meters(), pickUp, lastBar).inSteps();
            return new MidiSong(sound(map), parts(map), notes);
        }

        private static TempoMap sound(TempoMap map) {
            if (!map.fault().isEmpty()) {
                throw refused(map.fault());
            }
            return map;
        }

        private int header() {
            if (file.remaining() < 14 || !word().equals("MThd")) {
                throw refused("It is no MIDI file.");
            }
            int length = file.getInt();
            int kind = file.getShort() & 0xFFFF;
            int count = file.getShort() & 0xFFFF;
            division = file.getShort();
            if (kind > 1) {
                throw refused("It is of type " + kind + ", which holds several songs. Save it as type 0 or 1.");
            }
            if (division <= 0) {
                throw refused("It counts in frames of film, not in beats. Save it with ticks a quarter note.");
            }
            if (length < 6 || length - 6 > file.remaining()) {
                throw refused("It is cut off.");
            }
            file.position(file.position() + length - 6);
            return count;
        }

        private String word() {
            byte[] letters = new byte[4];
            file.get(letters);
            return new String(letters, StandardCharsets.ISO_8859_1);
        }

        private void track(int end) {
            long tick = 0;
            int running = 0;
            while (file.position() < end) {
                tick += number(end);
                int status = next(end);
                if (status < 0x80) {
                    if (running == 0) {
                        throw refused("It is damaged.");
                    }
                    file.position(file.position() - 1);
                    status = running;
                }
                if (status == 0xFF) {
                    int type = next(end);
                    byte[] data = bytes(end);
                    meta(type, data, (double) tick / division);
                } else if (status >= 0xF0) {
                    bytes(end);
                } else {
                    running = status;
                    skip(status >> 4 == 0xC || status >> 4 == 0xD ? 1 : 2, end);
                }
            }
        }

        private int next(int end) {
            if (file.position() >= end) {
                throw refused("It is cut off in an event.");
            }
            return file.get() & 0xFF;
        }

        /** Seven bits a byte, the last one without the eighth. */
        private int number(int end) {
            int number = 0;
            for (int at = 0; at < 4; at++) {
                int part = next(end);
                number = number << 7 | part & 0x7F;
                if (part < 0x80) {
                    return number;
                }
            }
            throw refused("It is damaged.");
        }

        private byte[] bytes(int end) {
            int length = number(end);
            if (length > end - file.position()) {
                throw refused("It is cut off in an event.");
            }
            byte[] bytes = new byte[length];
            file.get(bytes);
            return bytes;
        }

        private void skip(int count, int end) {
            for (int at = 0; at < count; at++) {
                next(end);
            }
        }

        private void meta(int type, byte[] data, double quarter) {
            switch (type) {
                case TEMPO -> tempo(data, quarter);
                case TIME_SIGNATURE -> signature(data, quarter);
                case MARKER -> marker(quarter, text(data));
                case TEXT -> ownText(text(data), quarter);
                default -> {
                    // of no use here
                }
            }
        }

        private void marker(double quarter, String name) {
            markers.putIfAbsent(quarter, name);
            if (markers.size() > PartKind.MARKER.most()) {
                throw refused(
                        "It has more than " + PartKind.MARKER.most() + " markers; a song has at most so many parts.");
            }
        }

        private static String text(byte[] data) {
            return new String(data, StandardCharsets.UTF_8).strip();
        }

        private void tempo(byte[] data, double quarter) {
            if (data.length != 3) {
                throw refused("It is damaged: a tempo has " + data.length + " bytes.");
            }
            int micros = (data[0] & 0xFF) << 16 | (data[1] & 0xFF) << 8 | data[2] & 0xFF;
            if (micros == 0) {
                throw refused("It holds a tempo that is endlessly fast.");
            }
            tempos.put(quarter, 60_000_000.0 / micros);
        }

        private void signature(byte[] data, double quarter) {
            if (data.length < 2) {
                throw refused("It is damaged: a time signature has " + data.length + " bytes.");
            }
            int beats = data[0] & 0xFF;
            int power = data[1] & 0xFF;
            if (beats < 1 || beats > 32 || power > 4) {
                throw refused("It holds a time signature of " + beats + "/" + (power < 16 ? 1 << power : "2^" + power)
                        + "; one has 1 to 32 beats of 1, 1/2, 1/4, 1/8 or 1/16.");
            }
            int noteValue = 1 << power;
            int clocks = data.length > 2 ? data[2] & 0xFF : 0;
            boolean inThrees = beats > 3 && beats % 3 == 0 && clocks == 3 * 96 / noteValue;
            signatures.put(quarter, new Signature(beats, noteValue, inThrees ? beats / 3 : 0));
        }

        private void ownText(String text, double quarter) {
            Matcher ramp = RAMP.matcher(text);
            Matcher song = SONG.matcher(text);
            Matcher felt = FELT.matcher(text);
            Matcher count = COUNTS.matcher(text);
            try {
                if (ramp.matches()) {
                    ramps.put(
                            quarter,
                            new Ramp(
                                    Double.parseDouble(ramp.group(1)),
                                    Double.parseDouble(ramp.group(2)),
                                    Double.parseDouble(ramp.group(3))));
                } else if (song.matches()) {
                    pickUp = Double.parseDouble(song.group(1));
                    lastBar = song.group(2).equals("open")
                            ? Optional.empty()
                            : Optional.of(Integer.parseInt(song.group(2)));
                } else if (felt.matches()) {
                    feltIn.put(quarter, Integer.parseInt(felt.group(1)));
                } else if (count.matches()) {
                    counts.put(quarter, NoteValue.valueOf(count.group(1)));
                }
            } catch (IllegalArgumentException somebodyElses) {
                notes.add("A text that looks like one of ours could not be read: \"" + text + "\".");
            }
        }

        /** The time signatures at their bars; what lies before bar 1 is no bar of its own. */
        private TempoMap meters() {
            List<TempoMap.Meter> meters = new ArrayList<>();
            meters.add(new TempoMap.Meter(1, 4, 4));
            double begins = 0;
            for (var entry : signatures.entrySet()) {
                double quarter = entry.getKey() - pickUp;
                Signature signature = entry.getValue();
                if (quarter < -ON_THE_BAR) {
                    continue;
                }
                TempoMap.Meter last = meters.get(meters.size() - 1);
                double bars = (quarter - begins) / last.quartersPerBar();
                if (Math.abs(bars - Math.rint(bars)) > ON_THE_BAR) {
                    throw refused(String.format(
                            Locale.ROOT,
                            "It holds a time signature in the middle of bar %d.",
                            last.bar() + (int) Math.floor(bars)));
                }
                int bar = last.bar() + (int) Math.rint(bars);
                if (bar == last.bar()) {
                    meters.remove(meters.size() - 1);
                }
                begins = quarter;
                int own = feltIn.getOrDefault(entry.getKey(), 0);
                boolean divides = own > 0 && signature.beats() % own == 0;
                meters.add(new TempoMap.Meter(
                        bar, signature.beats(), signature.noteValue(), divides ? own : signature.feltIn()));
            }
            return new TempoMap(
                    List.of(new TempoMap.Tempo(0, USUAL_TEMPO, NoteValue.CROTCHET, false)), withoutRepeats(meters));
        }

        private static List<TempoMap.Meter> withoutRepeats(List<TempoMap.Meter> meters) {
            List<TempoMap.Meter> kept = new ArrayList<>();
            for (TempoMap.Meter meter : meters) {
                TempoMap.Meter last = kept.isEmpty() ? null : kept.get(kept.size() - 1);
                boolean same = last != null
                        && last.beats() == meter.beats()
                        && last.noteValue() == meter.noteValue()
                        && last.feltIn() == meter.feltIn();
                if (!same) {
                    kept.add(meter);
                }
            }
            return kept;
        }

        /** A tempo that does not say otherwise counts the note that people count there. */
        private List<TempoMap.Tempo> tempos(TempoCurve bars) {
            if (tempos.isEmpty()) {
                notes.add("It holds no tempo. As the format has it, that is 120 crotchets a minute.");
            }
            TreeMap<Double, TempoMap.Tempo> found = new TreeMap<>();
            double silentUntil = Double.NEGATIVE_INFINITY;
            double last = USUAL_TEMPO;
            NoteValue lastCounted = NoteValue.CROTCHET;
            TreeMap<Double, Double> all = new TreeMap<>(tempos);
            ramps.forEach((quarter, ramp) -> all.putIfAbsent(quarter, ramp.from()));
            for (var entry : all.entrySet()) {
                double quarter = Math.max(0, entry.getKey() - pickUp);
                Ramp ramp = ramps.get(entry.getKey());
                NoteValue counted = counts.getOrDefault(
                        entry.getKey(), bars.meterAt(quarter + ON_THE_BAR).counted());
                if (ramp != null) {
                    found.put(quarter, tempo(quarter, ramp.from(), counted, true));
                    silentUntil = quarter + ramp.quarters() - ON_THE_BAR;
                    last = Double.NaN;
                } else if (quarter >= silentUntil && (entry.getValue() != last || counted != lastCounted)) {
                    found.put(quarter, tempo(quarter, entry.getValue(), counted, false));
                    last = entry.getValue();
                }
                lastCounted = counted;
            }
            found.putIfAbsent(0.0, new TempoMap.Tempo(0, USUAL_TEMPO, NoteValue.CROTCHET, false));
            return List.copyOf(found.values());
        }

        /** In the steps in which tempos are typed. */
        private static TempoMap.Tempo tempo(double quarter, double quarters, NoteValue counted, boolean ramp) {
            return new TempoMap.Tempo(quarter, Math.rint(100 * quarters / counted.quarters()) / 100, counted, ramp);
        }

        /** Each at the bar that is nearest, the first one where several are, under names of their own. */
        private List<Part> parts(TempoMap map) {
            var curve = map.curve();
            TreeMap<Integer, String> byBar = new TreeMap<>();
            Set<String> names = new HashSet<>();
            markers.forEach((at, written) -> {
                double quarter = Math.max(0, at - pickUp);
                int in = curve.barAt(quarter);
                int bar = in + (int) Math.round(curve.beatAt(quarter) / curve.beatsIn(in));
                String name =
                        written.isEmpty() ? "Part" : written.substring(0, Math.min(LONGEST_NAME, written.length()));
                String free = name;
                for (int number = 2; names.contains(free.toLowerCase(Locale.ROOT)); number++) {
                    free = name + " " + number;
                }
                if (byBar.putIfAbsent(bar, free) == null) {
                    names.add(free.toLowerCase(Locale.ROOT));
                } else {
                    notes.add("\"" + name + "\" begins where \"" + byBar.get(bar) + "\" does; it was left out.");
                }
            });
            return byBar.entrySet().stream()
                    .map(entry -> new Part(entry.getValue(), entry.getKey()))
                    .sorted(Comparator.comparingInt(Part::bar))
                    .toList();
        }
    }
}
