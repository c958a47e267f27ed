package vividlantern.template;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.session.PartKind;
import vividlantern.session.Parts;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.Settings;
import vividlantern.session.song.SongEntry;
import vividlantern.session.song.TempoMap;

/** The songs of one production: the next one, which goes on with the mix, and where each stands in the list. */
public final class NextSong {

    /** A song of a production. */
    public record Listed(SessionId session, SongEntry entry) {}

    private NextSong() {}

    /**
     * A session for the next song: the state as it is, under another song's name, without its parts. The last song stays as it
     * is.
     *
     * @param beatsPerMinute the new song's tempo in the last one's note value; empty if it has the same tempos
     * @param list the songs of the production
     */
    public static Session after(
            Session last, SessionId id, String song, Optional<Double> beatsPerMinute, List<Listed> list) {
        Session next = Parts.coming(last, PartKind.Goes.TO_THE_NEXT_SONG, id);
        Settings was = last.settings();
        next = next.with(new Settings(
                was.name(),
                Texts.name(song, "A song", "song"),
                was.sampleRate(),
                was.bitDepth(),
                was.bufferFrames(),
                was.rigId(),
                was.main()));
        if (beatsPerMinute.isPresent()) {
            next = next.with(steady(last.tempoMap(), beatsPerMinute.get()));
        }
        return next.with(Optional.of(entryAfter(last, list)));
    }

    /** The entry of a song that comes right after another one of a production. */
    public static SongEntry entryAfter(Session last, List<Listed> list) {
        SongEntry entry = last.songListed();
        return new SongEntry(entry.production(), placeBetween(entry.place(), placeAfter(entry.place(), list)), "", "");
    }

    private static TempoMap steady(TempoMap last, double beatsPerMinute) {
        TempoMap.Tempo first = last.tempos().get(0);
        TempoMap map = new TempoMap(
                        List.of(new TempoMap.Tempo(0, beatsPerMinute, first.unit(), false)),
                        List.of(last.meters().get(0)))
                .inSteps();
        if (!map.fault().isEmpty()) {
            throw new Refused(map.fault(), "beatsPerMinute");
        }
        return map;
    }

    /** Where a song stands that is put in front of another one, or at the end. */
    public static double place(SessionId moved, Optional<SessionId> before, List<Listed> list) {
        List<Double> others = list.stream()
                .filter(each -> !each.session().equals(moved))
                .map(each -> each.entry().place())
                .sorted()
                .toList();
        if (before.isEmpty()) {
            return others.isEmpty() ? 1 : others.get(others.size() - 1) + 1;
        }
        double next = list.stream()
                .filter(each -> before.get().equals(each.session()))
                .findFirst()
                .orElseThrow(() -> new Refused("The song list has no song '" + before.get() + "'.", "before"))
                .entry()
                .place();
        OptionalDouble previous = others.stream()
                .mapToDouble(Double::doubleValue)
                .filter(each -> each < next)
                .max();
        return placeBetween(previous.orElse(next - 2), OptionalDouble.of(next));
    }

    private static OptionalDouble placeAfter(double place, List<Listed> list) {
        return list.stream()
                .mapToDouble(each -> each.entry().place())
                .filter(each -> each > place)
                .min();
    }

    private static double placeBetween(double before, OptionalDouble after) {
        return after.isPresent() ? (before + after.getAsDouble()) / 2 : before + 1;
    }

    /** The songs in their order. */
    public static List<Listed> inOrder(List<Listed> list) {
        return list.stream()
                .sorted(Comparator.comparingDouble((Listed each) -> each.entry().place())
                        .thenComparing(each -> each.session().value()))
                .toList();
    }
}
