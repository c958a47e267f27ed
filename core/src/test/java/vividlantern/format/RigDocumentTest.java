package vividlantern.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.ShelfDevices;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.edit.DeviceEdit.AddDevice;
import vividlantern.rig.edit.RigEdit;
import vividlantern.rig.edit.Shelf;

/** A rig on its way through a file. */
public class RigDocumentTest {

    /** One of everything that stands on the shelf. */
    private static Rig everything() {
        List<RigEdit> edits = Shelf.devices().stream()
                .map(AddDevice::device)
                .<RigEdit>map(id -> ShelfDevices.device(id, "my-" + id, "My " + id))
                .toList();
        return RigEdit.applyAll(edits, Rig.empty(new RigId("loft"), "Loft"));
    }

    @Test
    public void aRigComesBackFromItsDocumentAsItWas() {
        Rig rig = everything();
        String document = Documents.write(RigDocument.of(rig));
        assertThat(Documents.read(document, RigDocument.class).checked()).isEqualTo(rig);
    }

    @Test
    public void aDocumentFromBeforeThereWereWideGroupsHasNone() {
        String document = Documents.write(RigDocument.of(everything()));
        String older = document.replace("\"groups\":[],", "");
        assertThat(older).hasSizeLessThan(document.length());
        assertThat(Documents.read(older, RigDocument.class).checked()).isEqualTo(everything());
    }

    @Test
    public void aDocumentFromBeforeAmpsSaidWhatTheyDoSaysNothingOfIt() throws IOException {
        try (InputStream written = RigDocumentTest.class.getResourceAsStream("/rig-1.json")) {
            Rig rig = Documents.read(new String(written.readAllBytes(), StandardCharsets.UTF_8), RigDocument.class)
                    .checked();
            assertThat(rig.devices()).hasSize(9).allMatch(device -> device.amp().isEmpty());
        }
    }

    @DataProvider
    public Object[][] broken() {
        Rig small = ShelfDevices.device("interface-2", "dory", "Dory").applyTo(Rig.empty(new RigId("loft"), "Loft"));
        String good = Documents.write(RigDocument.of(small));
        return new Object[][] {
            {good.replace("vivid-lantern-rig", "somebodys-rig"), "its format is \"somebodys-rig\""},
            {good.replaceFirst("\"version\":2", "\"version\":3"), "reads up to version 2"},
            {good.replaceFirst("\"celsius\":20.0", "\"celsius\":\"warm\""), "celsius"},
            {good.replaceFirst("\"kind\":\"interface\"", "\"kind\":\"toaster\""), "toaster"},
            {good.replaceFirst("\"direction\":\"in\"", "\"direction\":\"up\""), "direction"},
            {good.replaceFirst("\"panelName\"", "\"panelname\""), "panelName"},
            {good.substring(0, good.length() / 2), ""},
            {"[]", ""},
        };
    }

    @Test(dataProvider = "broken")
    public void aBrokenDocumentIsRefusedAndSaysWhereItCan(String document, String place) {
        assertThatThrownBy(() -> Documents.read(document, RigDocument.class).checked())
                .hasMessageContaining(place);
    }

    @Test
    @SuppressWarnings("unchecked")
    public void theSchemaNamesEveryFieldOfEveryPart() {
        Map<String, Object> schema = RigDocument.schema();
        assertThat(schema.get("$schema")).isEqualTo("https://json-schema.org/draft/2020-12/schema");
        Map<String, Map<String, Object>> definitions = (Map<String, Map<String, Object>>) schema.get("$defs");
        assertThat(definitions)
                .containsKeys("Rig", "Device", "Port", "Tie", "StereoPair", "WideGroup", "Mic", "LatencyProfile");
        assertThat((Map<String, Object>) definitions.get("Port").get("properties"))
                .containsOnlyKeys(
                        "id",
                        "device",
                        "direction",
                        "number",
                        "panelName",
                        "houseLabel",
                        "takes",
                        "phantom",
                        "bank",
                        "padDb",
                        "gain",
                        "remote",
                        "hidden",
                        "link");
        assertThat(definitions.get("Port").get("required").toString()).contains("houseLabel", "remote");
        assertThat(definitions.get("Port").get("additionalProperties")).isEqualTo(false);
    }
}
