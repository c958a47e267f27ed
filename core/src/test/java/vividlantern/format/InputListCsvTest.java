package vividlantern.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.patch.InputTracks;
import vividlantern.rig.PortId;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Performer;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.AddInput;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.InputEdit.SetInputPolarity;
import vividlantern.session.edit.InputEdit.SetInputWidth;
import vividlantern.session.edit.TrackEdit.AddTrack;

public class InputListCsvTest {

    private static final Session BLANK = RandomSessions.blank();

    @Test
    public void whatIsExportedAndImportedIntoAnEmptyListIsTheSameInMeaning() {
        for (int seed = 0; seed < 30; seed++) {
            Session session = RandomSessions.session(seed);
            String csv = InputListCsv.write(session, RandomSessions.RIG);
            Session again = take(csv.getBytes(StandardCharsets.UTF_8), BLANK);
            assertThat(again.inputs()).hasSameSizeAs(session.inputs());
            for (int at = 0; at < session.inputs().size(); at++) {
                assertThat(meaning(again, again.inputs().get(at)))
                        .isEqualTo(meaning(session, session.inputs().get(at)));
            }
        }
    }

    /** A spreadsheet would run these; people may have meant them. */
    @Test
    public void textsThatASpreadsheetWouldRunAreGuardedAndComeBack() {
        List<String> sources = List.of("=1+1", "@now", "-6 dB pad", "+mic", "'=quoted", "'tis", "plain");
        Session session = BLANK;
        for (int at = 0; at < sources.size(); at++) {
            AddInput add = new AddInput(new InputId("i-" + at), at + 1, sources.get(at));
            session = Edit.applyAll(List.of(add), session, RandomSessions.RIG);
        }
        String csv = InputListCsv.write(session, RandomSessions.RIG);
        assertThat(csv)
                .contains("1,'=1+1,", "2,'@now,", "3,'-6 dB pad,", "4,'+mic,", "5,''=quoted,", "6,'tis,", "7,plain,");
        Session again = take(csv.getBytes(StandardCharsets.UTF_8), BLANK);
        assertThat(again.inputs().stream().map(Input::source)).containsExactlyElementsOf(sources);
    }

    @Test
    public void stereoAndWideSourcesComeBackWithTheirPortsAndTracks() {
        InputId piano = new InputId("piano");
        InputId tree = new InputId("tree");
        Session session = Edit.applyAll(
                List.of(
                        new AddInput(piano, 1, "Piano"),
                        new SetInputWidth(piano, 2),
                        new PatchInput(piano, List.of(new PortId("in-1"), new PortId("in-9"))),
                        new SetInputPolarity(piano, true),
                        new AddInput(tree, 2, "Tree"),
                        new SetInputWidth(tree, 5),
                        new PatchInput(tree, new PortId("in-3")),
                        new AddTrack(new TrackId("p"), "Piano", 2, List.of(Feed.from(piano, 0), Feed.from(piano, 1))),
                        new AddTrack(new TrackId("n"), "Near", 1, List.of(Feed.from(piano, 1))),
                        new AddTrack(new TrackId("f"), "Far", 2, List.of(Feed.from(tree, 3), Feed.from(tree, 4)))),
                BLANK,
                RandomSessions.RIG);
        String csv = InputListCsv.write(session, RandomSessions.RIG);
        assertThat(csv)
                .contains("1,Piano,", ",stereo,House in-1 | House in-9,", ",flipped,Piano; right > Near,")
                .contains(",5 wide,House in-3 |,", ",4 of 5 > Far (left); 5 of 5 > Far (right),");
        Session again = take(csv.getBytes(StandardCharsets.UTF_8), BLANK);
        for (int at = 0; at < 2; at++) {
            assertThat(meaning(again, again.inputs().get(at)))
                    .isEqualTo(meaning(session, session.inputs().get(at)));
        }
    }

    /** Everything that the list says of an input, without ids. */
    private static List<Object> meaning(Session session, Input input) {
        return List.of(
                input.number(),
                input.source(),
                input.performer().flatMap(session::find).map(Performer::name),
                input.mic(),
                input.phantom(),
                input.width(),
                input.ports(),
                input.polarityFlipped(),
                input.gainDb(),
                input.notes(),
                Set.copyOf(InputTracks.names(session, input)));
    }

    @Test
    public void importingWhatStandsThereAlreadyChangesNothing() {
        Session session = RandomSessions.session(5);
        byte[] csv = InputListCsv.write(session, RandomSessions.RIG).getBytes(StandardCharsets.UTF_8);
        InputListImport.Preview preview = InputListImport.preview(csv, session, RandomSessions.RIG);
        assertThat(preview.bad()).isZero();
        assertThat(preview.rows()).allSatisfy(row -> assertThat(row.edits()).isEmpty());
        assertThat(preview.rows().get(0).does()).isEqualTo("changes nothing");
    }

    /** The same list, as different spreadsheets write it. */
    @DataProvider
    public Object[][] spellings() {
        String commas =
                "Number,Source,Mic,Phantom,Port,Notes\r\n1,Cajón front,Gannet D,off,House in-3,\"near\r\nthe floor\"\r\n";
        String semicolons =
                "Source;Number;Notes;Port;Phantom;Mic\n\"Cajón front\";1;\"near\r\nthe floor\";House in-3;;Gannet D\n";
        String tabs =
                "Number\tSource\tMic\tPhantom\tPort\tNotes\n1\tCajón front\tGannet D\tno\thouse IN-3\t\"near\r\nthe floor\"\n";
        return new Object[][] {
            {commas.getBytes(StandardCharsets.UTF_8)},
            {("\uFEFF" + commas).getBytes(StandardCharsets.UTF_8)},
            {commas.getBytes(Charset.forName("windows-1252"))},
            {semicolons.getBytes(StandardCharsets.UTF_8)},
            {tabs.getBytes(Charset.forName("windows-1252"))},
            {tabs.getBytes(StandardCharsets.UTF_16)},
            {("\uFEFF" + semicolons).getBytes(StandardCharsets.UTF_16LE)},
            {("sep=;\r\n" + semicolons).getBytes(StandardCharsets.UTF_8)},
        };
    }

    @Test(dataProvider = "spellings")
    public void listsOfAllSpellingsAreRead(byte[] file) {
        Session session = take(file, BLANK);
        assertThat(session.inputs()).hasSize(1);
        Input input = session.inputs().get(0);
        assertThat(input.source()).isEqualTo("Cajón front");
        assertThat(input.mic()).isEqualTo("Gannet D");
        assertThat(input.phantom()).isEqualTo(PhantomWish.OFF);
        assertThat(input.port(0).orElseThrow().value()).isEqualTo("in-3");
        assertThat(input.notes()).isEqualTo("near\r\nthe floor");
    }

    @Test
    public void boxesAreTickedAsPeopleTickThem() {
        Session session = take(preview("""
                Source;Phantom;Pad;Polarity
                Fiddle;x;\u2713;yes
                Harp;48V;n;180
                Voice;Phantom;off;0
                Bass;no;;normal
                """), BLANK);
        assertThat(session.inputs())
                .extracting(Input::phantom)
                .containsExactly(PhantomWish.ON, PhantomWish.ON, PhantomWish.ON, PhantomWish.OFF);
        assertThat(session.inputs()).extracting(Input::pad).containsExactly(true, false, false, false);
        assertThat(session.inputs()).extracting(Input::polarityFlipped).containsExactly(true, true, false, false);
    }

    /** What the sheet on the screen heads its columns with, and what others do. */
    @Test
    public void columnsAreKnownByWhatPeopleHeadThemWith() {
        InputListImport.Preview preview = preview("""
                Ch.;INSTRUMENT;Musician;Mic or DI;+48 V;Case
                1;Fiddle;Ailsa;Gannet C;on;blue
                2;Harp;\u2014;n/a;-;red
                """);
        assertThat(preview.columns())
                .extracting(InputListImport.ReadColumn::readAs)
                .containsExactly("Number", "Source", "Performer", "Mic", "Phantom", "");
        assertThat(preview.columns().get(5)).isEqualTo(new InputListImport.ReadColumn("Case", "", "blue"));
        Session session = take(preview, BLANK);
        Input fiddle = session.inputs().get(0);
        assertThat(fiddle.mic()).isEqualTo("Gannet C");
        assertThat(fiddle.phantom()).isEqualTo(PhantomWish.ON);
        assertThat(session.performers()).extracting(Performer::name).containsExactly("Ailsa");
        assertThat(session.inputs().get(1).mic()).isEmpty();
    }

    @Test
    public void aHandSaysWhatAColumnIs() {
        byte[] file = "What,Colour,Thing\nFiddle,red,Gannet C\n".getBytes(StandardCharsets.UTF_8);
        InputListImport.Preview unknown = InputListImport.preview(file, List.of(), BLANK, RandomSessions.RIG);
        assertThat(unknown.hasHeadings()).isFalse();
        assertThat(unknown.problem())
                .startsWith("The first row names no column of an input list. Known are Number (#, No,")
                .contains("Phantom (+48 V, 48 V,");
        assertThat(unknown.rows()).isEmpty();
        InputListImport.Preview chosen =
                InputListImport.preview(file, List.of("Source", "", "Mic"), BLANK, RandomSessions.RIG);
        assertThat(chosen.columns())
                .extracting(InputListImport.ReadColumn::readAs)
                .containsExactly("Source", "", "Mic");
        assertThat(take(chosen, BLANK).inputs()).extracting(Input::mic).containsExactly("Gannet C");
        InputListImport.Preview sourceless =
                InputListImport.preview(file, List.of("", "", "Mic"), BLANK, RandomSessions.RIG);
        assertThat(sourceless.problem()).isEqualTo("Say which column is the source.");
        assertThat(sourceless.rows()).isEmpty();
        assertThatThrownBy(() -> InputListImport.preview(file, List.of("Colour"), BLANK, RandomSessions.RIG))
                .hasMessage("An input list has no column \"Colour\".");
    }

    @Test
    public void cellsThatSayDiAreNoHeadings() {
        assertThat(preview("DI\nDI\n").hasHeadings()).isFalse();
        assertThat(preview("Mic\tPort\nGannet C\tHouse in-1\n").hasHeadings()).isTrue();
        assertThat(preview("Instrument\nHarp\n").hasHeadings()).isTrue();
    }

    private static InputListImport.Preview preview(String csv) {
        return InputListImport.preview(csv.getBytes(StandardCharsets.UTF_8), BLANK, RandomSessions.RIG);
    }

    @Test
    public void badRowsSayWhyAndGoodOnesCanBeTaken() {
        String csv = """
                Number,Source,Port,Phantom,Gain dB
                1,Fiddle,House in-1,on,40
                2,,House in-2,,
                3,Bass,House in-99,,
                4,Cello,House in-1,,
                4x,Viola,,,
                5,Harp,,maybe,
                6,Voice,,,loud
                1,Whistle,,,
                ,Bouzouki,House in-4,never,"12,5"
                """;
        InputListImport.Preview preview =
                InputListImport.preview(csv.getBytes(StandardCharsets.UTF_8), BLANK, RandomSessions.RIG);
        assertThat(preview.good()).isEqualTo(2);
        assertThat(preview.bad()).isEqualTo(7);
        assertThat(preview.rows().stream().map(InputListImport.Row::problem).toList())
                .containsExactly(
                        "",
                        "The row has no source.",
                        "There is no port \"House in-99\" in Plain.",
                        "House in-1 stands in the file twice.",
                        "\"4x\" is not an input number.",
                        "\"maybe\" is neither on, off nor never.",
                        "\"loud\" is not a gain in dB.",
                        "Number 1 stands in the file twice.",
                        "");
        assertThat(preview.rows().get(1).line()).isEqualTo(3);
        Session taken = take(csv.getBytes(StandardCharsets.UTF_8), BLANK);
        assertThat(taken.inputs()).extracting(Input::source).containsExactly("Fiddle", "Bouzouki");
        assertThat(taken.inputs().get(1).gainDb()).contains(12.5);
    }

    /** What a cell was read as stands in the preview, before anything changes. */
    @Test
    public void eachRowSaysWhatItsCellsWereReadAs() {
        byte[] csv = """
                Ch,Instrument,Musician,Mic or DI,48V,Gain
                1,Fiddle,Ann,"old ribbon, blue",off,
                2,Voice,n/a,condenser,yes,32 dB
                """.getBytes(StandardCharsets.UTF_8);
        assertThat(InputListImport.preview(csv, BLANK, RandomSessions.RIG).rows())
                .extracting(InputListImport.Row::does)
                .containsExactly(
                        "adds input 1: Performer: Ann added; played by Ann; mic old ribbon, blue, never +48 V",
                        "adds input 2: mic condenser; +48 V on; gain +32.0 dB");
        Session taken = take(csv, BLANK);
        assertThat(taken.inputs()).extracting(Input::phantom).containsExactly(PhantomWish.NEVER, PhantomWish.ON);
        assertThat(taken.inputs()).extracting(Input::gainDb).containsExactly(Optional.empty(), Optional.of(32.0));
        Session again = take("Number,Source,Gain\n2,Voice,\n".getBytes(StandardCharsets.UTF_8), taken);
        assertThat(again.inputs().get(1).gainDb()).isEmpty();
    }

    @Test
    public void aPortThatAnotherInputUsesIsNotTakenFromIt() {
        Session session = take("Source,Port\nFiddle,House in-1\n".getBytes(StandardCharsets.UTF_8), BLANK);
        InputListImport.Preview preview = InputListImport.preview(
                "Number,Source,Port\n2,Bass,House in-1\n".getBytes(StandardCharsets.UTF_8),
                session,
                RandomSessions.RIG);
        assertThat(preview.rows().get(0).problem())
                .isEqualTo("House in-1 is used by Fiddle, which is not in the file.");
    }

    /** Files that are no input list. */
    @DataProvider
    public Object[][] noLists() {
        return new Object[][] {
            {new byte[0], "empty"},
            {new byte[] {'R', 'I', 'F', 'F', 0, 0, 1, 2}, "not a text file"},
            {"Source\n\"never closed\n".getBytes(StandardCharsets.UTF_8), "quote is opened and not closed"},
            {("Source\n" + "Harp\n".repeat(501)).getBytes(StandardCharsets.UTF_8), "more than 500 rows"},
        };
    }

    @Test(dataProvider = "noLists")
    public void aFileThatIsNoListIsRefused(byte[] file, String reason) {
        assertThatThrownBy(() -> InputListImport.preview(file, BLANK, RandomSessions.RIG))
                .hasMessageContaining(reason);
    }

    private static Session take(byte[] file, Session session) {
        return take(InputListImport.preview(file, session, RandomSessions.RIG), session);
    }

    private static Session take(InputListImport.Preview preview, Session session) {
        List<Edit> edits =
                preview.rows().stream().flatMap(row -> row.edits().stream()).toList();
        return Edit.applyAll(edits, session, RandomSessions.RIG);
    }
}
