package vividlantern.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.Parts;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.TrackEdit.SetTrim;
import vividlantern.units.Decibels;

/** What a log holds comes back whole from what little is kept of it. */
public class PackedLineTest {

    /** As the first program wrote it that packs lines; every later one reads it. */
    private static final String FIRST = "AcMRVHjdbITuZlQngLM1VAdSLoPlWYKONwK7DAA=";

    @Test
    public void everyPartOfRandomSessionsComesBackAndIsSmall() {
        for (long seed = 1; seed <= 20; seed++) {
            Map<PartKey, Optional<Part>> before = all(RandomSessions.session(seed));
            Map<PartKey, Optional<Part>> after = all(RandomSessions.session(seed + 100));
            PackedLine line = new PackedLine("[]", Documents.writeParts(before), Documents.writeParts(after));
            byte[] packed = line.pack();
            assertThat(PackedLine.unpack(packed)).isEqualTo(line);
            assertThat(packed.length * 5)
                    .isLessThan(line.before().length() + line.after().length());
        }
    }

    @Test
    public void partsThatComeOrGoAreKeptWhole() {
        PackedLine line = new PackedLine(
                "[{\"kind\":\"any\"}]",
                "{\"cue/a\":null,\"track/b\":{\"x\":1,\"y\":{\"z\":[1,2]}},\"track/c\":{\"x\":1}}",
                "{\"cue/a\":{\"x\":1},\"track/b\":{\"x\":1,\"y\":{\"z\":[1]}},\"track/c\":null}");
        assertThat(PackedLine.unpack(line.pack())).isEqualTo(line);
    }

    /** One trim of thirteen tracks took 45 KB as whole parts. */
    @Test
    public void oneColumnOfThirteenTracksIsAHandful() {
        Session session = RandomSessions.session(3);
        List<Edit> edits = session.tracks().stream()
                .limit(13)
                .<Edit>map(track -> new SetTrim(track.id(), Decibels.of(3.5)))
                .toList();
        Map<PartKey, Optional<Part>> before = new TreeMap<>();
        Map<PartKey, Optional<Part>> after = new TreeMap<>();
        Session changed = Edit.applyAll(edits, session, RandomSessions.RIG);
        for (Track track : session.tracks().stream().limit(13).toList()) {
            TrackId id = track.id();
            before.put(PartKey.of(id), Optional.of(track));
            after.put(PartKey.of(id), changed.find(id).map(Part.class::cast));
        }
        byte[] packed = new PackedLine(
                        Documents.writeEdits(edits), Documents.writeParts(before), Documents.writeParts(after))
                .pack();
        assertThat(packed.length).isLessThan(1000);
    }

    /** 4 096 levels in 32 cues; the edits alone are 280 kB. */
    @Test
    public void thousandsOfLevelsAreReadAgainAndStaySmall() {
        StringBuilder edits = new StringBuilder("[");
        StringBuilder before = new StringBuilder("{");
        StringBuilder after = new StringBuilder("{");
        for (int at = 0; at < 4096; at++) {
            String send = "c" + at / 128 + "/t" + at % 128;
            String comma = at == 0 ? "" : ",";
            edits.append(comma).append("{\"kind\":\"set-send-level\",\"send\":\"" + send + "\",\"level\":-10.0}");
            before.append(comma).append("\"send/" + send + "\":{\"level\":-20.0,\"muted\":false}");
            after.append(comma).append("\"send/" + send + "\":{\"level\":-10.0,\"muted\":false}");
        }
        PackedLine line = new PackedLine(edits + "]", before + "}", after + "}");
        byte[] packed = line.pack();
        assertThat(PackedLine.unpack(packed)).isEqualTo(line);
        assertThat(PackedLine.mentions(packed, "\"send/c31/t127")).isTrue();
        assertThat(packed.length).isLessThan(60_000);
    }

    @Test
    public void linesOfTheFirstProgramThatPackedThemAreRead() {
        PackedLine line = PackedLine.unpack(Base64.getDecoder().decode(FIRST));
        assertThat(line.edits()).isEqualTo("[{\"kind\":\"set-trim\",\"track\":\"bass\",\"level\":2.0}]");
        assertThat(line.before()).isEqualTo("{\"track/bass\":{\"id\":\"bass\",\"trim\":0.0,\"width\":1}}");
        assertThat(line.after()).isEqualTo("{\"track/bass\":{\"id\":\"bass\",\"trim\":2.0,\"width\":1}}");
    }

    @Test
    public void damagedLinesAreRefused() {
        byte[] packed = new PackedLine("[]", "{}", "{\"cue/a\":{\"x\":1}}").pack();
        for (int length = 0; length < packed.length; length++) {
            byte[] cut = Arrays.copyOf(packed, length);
            assertThatThrownBy(() -> PackedLine.unpack(cut)).isInstanceOf(RuntimeException.class);
        }
        byte[] newer = packed.clone();
        newer[0] = 9;
        assertThatThrownBy(() -> PackedLine.unpack(newer)).hasMessageContaining("newer program");
    }

    private static Map<PartKey, Optional<Part>> all(Session session) {
        Map<PartKey, Optional<Part>> parts = new TreeMap<>();
        Parts.OF_SESSION.parts(session).forEach((key, part) -> parts.put(key, Optional.of(part)));
        return parts;
    }
}
