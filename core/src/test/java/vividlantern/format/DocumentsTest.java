package vividlantern.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.rig.Rig;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.Parts;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Tap;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.SendEdit.SetSendTap;
import vividlantern.session.edit.TrackEdit.SetFader;
import vividlantern.units.Decibels;

public class DocumentsTest {

    @Test
    public void sessionsComeBackAsTheyWere() {
        for (int seed = 0; seed < 50; seed++) {
            Session session = RandomSessions.session(seed);
            assertThat(Documents.read(Documents.write(session), Session.class)).isEqualTo(session);
        }
    }

    @Test
    public void aRigComesBackAsItWas() {
        assertThat(Documents.read(Documents.write(RandomSessions.RIG), Rig.class))
                .isEqualTo(RandomSessions.RIG);
    }

    @Test
    public void partsComeBackAsTheyWereTheMissingOnesToo() {
        var changed = Parts.OF_SESSION.changed(RandomSessions.session(1), RandomSessions.blank());
        assertThat(changed.values()).contains(Optional.empty());
        assertThat(Documents.readParts(Documents.writeParts(changed))).isEqualTo(changed);
    }

    @Test
    public void levelsWordsAndKindsAreWrittenForPeople() {
        List<Edit> edits = List.of(
                new SetFader(new TrackId("fiddle"), Decibels.OFF),
                new SetSendTap(new CueId("voice"), new TrackId("fiddle"), Tap.PRE_FADER));
        String json = Documents.writeEdits(edits);
        assertThat(json)
                .isEqualTo("[{\"kind\":\"set-fader\",\"track\":\"fiddle\",\"level\":\"off\"},"
                        + "{\"kind\":\"set-send-tap\",\"cue\":\"voice\",\"track\":\"fiddle\",\"tap\":\"pre-fader\"}]");
        assertThat(Documents.readEdits(json)).isEqualTo(edits);
    }

    @Test
    public void nobodyOutsideRestoresParts() {
        assertThat(Documents.editKinds()).doesNotContainKey("restore-parts").containsKey("set-send-level");
        assertThatThrownBy(() -> Documents.readEdits("[{\"kind\":\"restore-parts\"}]"))
                .hasMessageContaining("restore-parts");
    }

    @Test
    public void tracksOfALogFromBeforeTheyHadLooksArePlain() {
        Track track = Track.forInputs(new TrackId("harp"), 1, "Harp", 1, List.of());
        String json = Documents.writeParts(Map.of(PartKey.of(track.id()), Optional.of((Part) track)));
        String older = json.replaceFirst(",\"look\":\\{[^}]*}", "");
        assertThat(older).hasSizeLessThan(json.length());
        assertThat(Documents.readParts(older)).containsEntry(PartKey.of(track.id()), Optional.of(track));
    }

    @Test
    public void everyEditHasASchemaWithAllItsFields() {
        Schemas schemas = new Schemas("#/");
        schemas.add(Edit.class);
        assertThat(schemas.named())
                .containsKey("SetSendLevel")
                .hasSizeGreaterThan(Documents.editKinds().size());
        assertThat(schemas.named().get("SetSendLevel").toString()).contains("set-send-level", "cue", "track", "level");
    }
}
