package vividlantern.session.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.io.IOException;
import java.lang.reflect.RecordComponent;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Refused;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.PartKind;
import vividlantern.session.PartNames;
import vividlantern.session.PartShape;
import vividlantern.session.Parts;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.TrackView;
import vividlantern.session.TrackViewId;

/** Session, documents, undo, kits, templates, comparisons, storage and the page go by the registry of parts. */
public class PartRegistryTest {

    private static final List<Path> SOURCES =
            List.of(Path.of("src/main/java"), Path.of("../server/src/main/java"), Path.of("../web/src/desk/parts.ts"));

    @DataProvider
    public Object[][] kinds() {
        return Stream.of(PartKind.values()).map(kind -> new Object[] {kind}).toArray(Object[][]::new);
    }

    @Test
    public void everyPartIsOfOneKindAndEveryKindHasItsEdits() {
        Set<Class<?>> parts = new ClassFileImporter()
                        .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
                        .importPackages("vividlantern.session")
                        .get(Part.class)
                        .getAllSubclasses()
                        .stream()
                        .map(JavaClass::reflect)
                        .collect(Collectors.toSet());
        assertThat(Stream.of(PartKind.values()).<Class<?>>map(PartKind::type).toList())
                .containsExactlyInAnyOrderElementsOf(parts);
        assertThat(PartEdits.ALL).extracting(PartEdits::kind).containsExactly(PartKind.values());
        assertThat(Edit.families()).doesNotHaveDuplicates().allMatch(Class::isSealed);
    }

    /** What a page is told of a kind is what the session is written by. */
    @Test(dataProvider = "kinds")
    public void whereAKindStandsIsAFieldOfTheSession(PartKind kind) {
        PartKind.Written written = kind.written();
        List<String> ofSession = names(Session.class);
        List<String> ofPart = names(kind.type());
        if (written.shape() == PartShape.SPREAD) {
            assertThat(ofSession).containsAll(ofPart);
        } else {
            assertThat(ofSession).contains(written.field());
        }
        assertThat(ofPart).containsAll(written.idFields());
        assertThat(written.orderField().isEmpty() || ofPart.contains(written.orderField()))
                .isTrue();
    }

    private static List<String> names(Class<?> record) {
        return Stream.of(record.getRecordComponents())
                .map(RecordComponent::getName)
                .toList();
    }

    @Test
    public void aSessionIsTheSameFromItsPartsAndEachPartHasWordsAndStands() {
        for (int seed = 0; seed < 20; seed++) {
            Session session = RandomSessions.session(seed);
            SortedMap<PartKey, Part> parts = Parts.OF_SESSION.parts(session);
            assertThat(Parts.assemble(session.id(), session.revision(), parts)).isEqualTo(session);
            PartNames names = new PartNames(session, RandomSessions.RIG);
            parts.forEach((key, part) -> {
                assertThat(part.standsIn(session)).as("%s", key).isTrue();
                assertThat(part.title(names, key)).isNotBlank();
                assertThat(part.traits(names)).isNotEmpty();
            });
        }
    }

    @Test
    public void whatComesAlongIsSaidInTheRegistryAlone() {
        Session session = RandomSessions.session(3);
        SortedMap<PartKey, Part> coming = new TreeMap<>(
                Parts.OF_SESSION.parts(Parts.coming(session, PartKind.Goes.TO_THE_NEXT_SONG, new SessionId("next"))));
        assertThat(coming.keySet()).extracting(PartKey::kind).doesNotContain(PartKind.MARKER, PartKind.BACKING);
        assertThat(coming.keySet()).extracting(PartKey::kind).contains(PartKind.PERFORMER, PartKind.CUE, PartKind.SEND);
    }

    @Test
    public void twoOfOneIdAreRefusedWhateverTheirKind() {
        TrackView view = new TrackView(new TrackViewId("v"), "Drums", List.of());
        Session twice = RandomSessions.session(1).withViews(List.of(view, view));
        assertThatThrownBy(() -> SoundSession.require(twice, RandomSessions.RIG))
                .isInstanceOf(Refused.class)
                .hasMessage("Two of the views have the id 'v'.");
    }

    /**
     * What a kind of part costs: the files that speak of a view of tracks, besides its id. Its edits, too, are in one of them, and what
     * says that they are there.
     */
    @Test
    public void aKindOfPartTouchesFiveFiles() throws IOException {
        Pattern named = Pattern.compile("\\b(TrackView|ViewEdit|PartKind\\.VIEW)\\b|'view'");
        List<String> touched = new ArrayList<>();
        for (Path source : SOURCES) {
            try (Stream<Path> files = Files.walk(source)) {
                for (Path file : files.filter(Files::isRegularFile).toList()) {
                    if (named.matcher(Files.readString(file)).find()) {
                        touched.add(file.getFileName().toString());
                    }
                }
            }
        }
        assertThat(touched)
                .containsExactlyInAnyOrder(
                        "TrackView.java", "PartKind.java", "Session.java", "ViewEdit.java", "PartEdits.java");
    }
}
