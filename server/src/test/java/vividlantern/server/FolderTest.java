package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.channels.FileLock;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Arrays;
import org.assertj.core.api.ThrowableAssert.ThrowingCallable;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import vividlantern.server.folder.CannotStart;
import vividlantern.server.folder.DataFolder;
import vividlantern.server.folder.DatabaseCheck;

/** A data folder that cannot be used is refused in words, and never begun anew over something that was there. */
public class FolderTest extends ServerTest {

    private static final int EDITS = 40;

    private byte[] older;
    private byte[] database;

    @Override
    @BeforeClass
    void start() throws IOException {
        super.start();
        stop();
        older = Files.readAllBytes(data.resolve("lantern.mv.db"));
        program = begin(data);
        for (int n = 1; n <= EDITS; n++) {
            edit("anna", "{\"kind\": \"set-main-level\", \"level\": " + -n / 10.0 + "}");
        }
        stop();
        database = Files.readAllBytes(data.resolve("lantern.mv.db"));
    }

    @Test
    public void whatIsNoFolderIsRefused() throws IOException {
        Path file = Files.createTempFile("vivid-lantern", "file");
        assertRefused(() -> new DataFolder(file).claim(), "is a file, not a folder");
        assertRefused(() -> new DataFolder(file.resolve("below")).claim(), "cannot be written to");
        assertRefused(() -> new DataFolder(Path.of("/proc/vivid-lantern")).claim(), "cannot be");
        Path sql = file.resolveSibling("x;INIT=create table t(i int)");
        assertRefused(() -> new DataFolder(sql).claim(), "has a sign in it");
        assertThat(sql).doesNotExist();
    }

    @Test
    public void oneProgramHoldsAFolder() throws IOException {
        DataFolder folder = fresh();
        FileLock lock = folder.claim();
        assertRefused(folder::claim, "in use by another running Vivid Lantern");
        lock.channel().close();
        folder.claim().channel().close();
    }

    @Test
    public void whatWasNeededForAWhileIsGoneAtTheNextStart() throws IOException {
        DataFolder folder = fresh();
        folder.claim().channel().close();
        Files.writeString(
                Files.createDirectory(folder.temporary().resolve("copy1")).resolve("left"), "over");
        folder.claim().channel().close();
        assertThat(folder.temporary()).isEmptyDirectory();
        Path ofOthers = Files.writeString(
                Files.createDirectory(folder.path().resolve("tmp")).resolve("song"), "la");
        folder.claim().channel().close();
        assertThat(ofOthers).hasContent("la");
    }

    @Test
    public void aWholeDatabaseAndAnEmptyFolderAreUsable() throws IOException {
        assertThatCode(() -> check(fresh())).doesNotThrowAnyException();
        assertThatCode(() -> check(with(database))).doesNotThrowAnyException();
    }

    @Test
    public void aFolderThatHadSomethingIsNotBegunAnew() throws IOException {
        DataFolder folder = fresh();
        Files.writeString(folder.path().resolve("song.txt"), "la");
        assertRefused(() -> check(folder), "there are other things");
        DataFolder copiesOnly = fresh();
        Path copy = Files.createDirectories(copiesOnly.copies()).resolve("2026-01-02-030405-006.zip");
        Files.writeString(copy, "a copy");
        assertRefused(() -> check(copiesOnly), "./start --data " + copiesOnly.path() + " --restore " + copy);
    }

    @Test
    public void aDatabaseThatIsNoneIsSaidAndStays() throws IOException, SQLException {
        DataFolder empty = with(new byte[0]);
        assertRefused(() -> check(empty), "lantern.mv.db cannot be used. It is empty.");
        byte[] text = "hello, world\n".repeat(2000).getBytes(StandardCharsets.UTF_8);
        DataFolder foreign = with(text);
        assertRefused(() -> check(foreign), "Parts of it are missing or were overwritten.");
        assertThat(Files.readAllBytes(foreign.database())).isEqualTo(text);
        DataFolder other = fresh();
        sql(other, "create table shopping (thing varchar)");
        assertRefused(() -> check(other), "not one of this program");
    }

    /** Which chunk of the file lies where is H2's own affair; less than one whole chunk is never a database. */
    @Test
    public void aDatabaseThatWasCutOffIsSaidWithTheWayBack() throws IOException {
        for (int length : new int[] {100, 4096, 8192, 12_000}) {
            DataFolder cut = with(Arrays.copyOf(database, length));
            assertThatThrownBy(() -> check(cut))
                    .isInstanceOf(CannotStart.class)
                    .hasMessageContaining(cut.database().toString())
                    .hasMessageContaining("--restore");
        }
    }

    /** H2 opens it without a word, as it does with what is left of a file whose newest chunks are gone. */
    @Test
    public void aDatabaseThatIsAsItWasSomeTimeAgoIsSaidWithWhatIsMissing() throws IOException {
        assertRefused(() -> check(with(older)), EDITS + " changes that were stored are not in it");
    }

    @Test
    public void anOlderStateIsTakenOnlyWhenAskedFor() throws IOException {
        DataFolder older = with(database);
        long reached = Long.parseLong(Files.readString(older.reached()).strip());
        Files.writeString(older.reached(), String.format("%019d%n", reached + 1));
        assertRefused(() -> check(older), "one change that was stored is not in it");
        Files.writeString(older.reached(), String.format("%019d%n", reached + 12));
        assertRefused(() -> check(older), "12 changes that were stored are not in it");
        DatabaseCheck check = new DatabaseCheck(older);
        check.acceptAsItIs();
        assertThatCode(check::requireUsable).doesNotThrowAnyException();
    }

    @Test
    public void aNewerProgramsDatabaseIsLeftToIt() throws IOException, SQLException {
        DataFolder newer = with(database);
        sql(newer, "update \"flyway_schema_history\" set \"version\" = '99' where \"version\" = '5'");
        assertRefused(() -> check(newer), "written by a newer Vivid Lantern (layout 99");
    }

    private static void check(DataFolder folder) {
        new DatabaseCheck(folder).requireUsable();
    }

    private static DataFolder fresh() throws IOException {
        return new DataFolder(Files.createTempDirectory("vivid-lantern-folder"));
    }

    private DataFolder with(byte[] content) throws IOException {
        DataFolder folder = fresh();
        Files.write(folder.database(), content);
        Files.copy(data.resolve("lantern.reached"), folder.reached());
        return folder;
    }

    private static void sql(DataFolder folder, String statement) throws SQLException {
        String url = "jdbc:h2:file:" + folder.path().resolve("lantern");
        try (Connection connection = DriverManager.getConnection(url, "sa", "");
                Statement sql = connection.createStatement()) {
            sql.execute(statement);
        }
    }

    private static void assertRefused(ThrowingCallable wish, String sentence) {
        assertThatThrownBy(wish).isInstanceOf(CannotStart.class).hasMessageContaining(sentence);
    }
}
