package vividlantern.format;

import static vividlantern.format.PdfTable.Column.bold;
import static vividlantern.format.PdfTable.Column.of;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.DirectLevel;
import vividlantern.session.Input;
import vividlantern.session.Performer;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.Ears;
import vividlantern.session.cue.Send;
import vividlantern.units.Decibels;

/** What each performer hears, a page each: by which pair their cue leaves, how loud everything in it is, from where it is taken. */
final class CueSheets {

    private final Session session;
    private final Rig rig;
    private final PdfTable table;

    CueSheets(Session session, Rig rig, PdfTable table) {
        this.session = session;
        this.rig = rig;
        this.table = table;
    }

    void write() throws IOException {
        for (Performer performer : session.performers()) {
            for (Cue cue : session.cues()) {
                if (cue.listeners().contains(performer.id())) {
                    write(performer.name() + " hears " + cue.name(), cue);
                }
            }
        }
        for (Cue cue : session.cues()) {
            if (cue.listeners().isEmpty()) {
                write("Nobody hears " + cue.name() + " yet", cue);
            }
        }
    }

    private void write(String heading, Cue cue) throws IOException {
        List<List<String>> rows = new ArrayList<>();
        rows.add(List.of(
                "All of it",
                cue.level() + (cue.linkedToMain() ? ", linked to main" : ""),
                "",
                out(cue),
                cue.guarded() ? "ceiling guard on" : "ceiling guard off"));
        List<String> passes = passes(cue);
        if (!passes.isEmpty()) {
            rows.add(List.of("All of it passes", "", "", "", String.join("; ", passes)));
        }
        for (Track track : session.tracks()) {
            cue.send(track.id()).filter(CueSheets::isThere).ifPresent(send -> rows.add(row(cue, track, send)));
        }
        for (DirectLevel direct : session.direct()) {
            if (direct.cue().equals(cue.id()) && !direct.level().equals(Decibels.OFF)) {
                rows.add(List.of(
                        session.find(direct.input()).map(Input::source).orElse(""),
                        direct.level().toString(),
                        direct.pan().toString(),
                        "direct from the interface",
                        cue.guarded() ? "past the guard" : ""));
            }
        }
        table.write(
                heading,
                List.of(bold("What"), bold("Level"), of("Pan"), of("Out by, or taken"), of("To be known")),
                rows);
    }

    private static boolean isThere(Send send) {
        return !send.level().equals(Decibels.OFF);
    }

    private List<String> row(Cue cue, Track track, Send send) {
        return List.of(
                track.name(),
                send.level().toString(),
                send.panAsMain() ? "as on the speakers" : send.pan().toString(),
                send.tap().toString(),
                toBeKnown(cue, send));
    }

    private static String toBeKnown(Cue cue, Send send) {
        List<String> words = new ArrayList<>();
        if (send.muted()) {
            words.add("muted");
        }
        if (cue.comfort().on() && !send.comfort().isOff()) {
            words.add("comfort reverb " + send.comfort());
        }
        return String.join("; ", words);
    }

    /** What stands between a cue's mix and its guard. */
    private static List<String> passes(Cue cue) {
        List<String> words = new ArrayList<>();
        if (cue.highPass().on()) {
            words.add("high-pass " + cue.highPass().words());
        }
        if (cue.lowPass().on()) {
            words.add("low-pass " + cue.lowPass().words());
        }
        if (cue.compressor().on()) {
            words.add("compressor " + cue.compressor().words());
        }
        if (cue.ears() != Ears.STEREO) {
            words.add(cue.ears().toString());
        }
        if (cue.comfort().on()) {
            words.add("comfort reverb " + cue.comfort().words());
        }
        return words;
    }

    private String out(Cue cue) {
        String pairs = cue.outputs().stream()
                .flatMap(pair -> rig.outputPair(pair).stream())
                .map(StereoPair::houseLabel)
                .collect(Collectors.joining(", "));
        return pairs.isEmpty() ? "no output pair" : pairs;
    }
}
