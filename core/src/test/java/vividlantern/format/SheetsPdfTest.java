package vividlantern.format;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.testng.annotations.Test;
import vividlantern.OneSinger;
import vividlantern.RandomSessions;
import vividlantern.patch.BringList;
import vividlantern.rig.Mic;
import vividlantern.rig.MicId;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.edit.MicEdit.PutMic;
import vividlantern.session.InputId;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.TrackWay.Side;
import vividlantern.session.cue.Comfort;
import vividlantern.session.cue.Corner;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.Ears;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.AddInput;
import vividlantern.session.edit.InputEdit.ChooseMic;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.InputEdit.SetInputCable;
import vividlantern.session.edit.InputEdit.SetInputMic;
import vividlantern.session.edit.InputEdit.SetInputNotes;
import vividlantern.session.edit.InputEdit.SetInputPolarity;
import vividlantern.session.edit.InputEdit.SetInputSource;
import vividlantern.session.edit.InputEdit.SetInputStand;
import vividlantern.session.edit.InputEdit.SetInputWidth;
import vividlantern.session.edit.WayEdit.SendOut;
import vividlantern.session.song.Marker;
import vividlantern.session.song.MarkerId;
import vividlantern.session.song.TempoMap;
import vividlantern.units.Decibels;

/** What is printed, and what it says must be brought. */
public class SheetsPdfTest {

    private static final Rig RIG = new PutMic(new Mic(new MicId("dunlin"), "Dunlin R", Mic.Kind.RIBBON, 1, 2.6, "XLR"))
            .applyTo(RandomSessions.RIG);

    @Test
    public void theSheetsSayWhatIsInTheList() throws IOException {
        Session session = list(3);
        String text = text(session);
        assertThat(text)
                .contains("Input list", "Patch, by place", "Outputs and headphones", "What to bring")
                .contains("Violín 1", "ribbon, Dunlin R", "NEVER", "House in-1", "Panel in-1")
                .contains("S, Song · Plain · 2026-03-01", "page 1 of 4");
    }

    @Test
    public void thePartsOfTheSongStandThereWithTheirLengths() throws IOException {
        Session session = list(1).with(TempoMap.steady(138, 3, 4).endingWith(Optional.of(40)))
                .withMarkers(List.of(
                        new Marker(new MarkerId("a"), "Verse", 1), new Marker(new MarkerId("b"), "Refrain", 17)));
        assertThat(text(session)).contains("Parts of the song", "Verse 1 16 3/4 138", "Refrain 17 24 3/4 138");
        assertThat(text(session.with(TempoMap.steady(138, 3, 4)))).contains("Refrain 17 open 3/4 138");
    }

    @Test
    public void eachPerformerHasAPageOfWhatTheyHear() throws IOException {
        Session session = OneSinger.direct(OneSinger.session(), -3);
        try (PDDocument document = Loader.loadPDF(pdf(session, OneSinger.RIG))) {
            PDFTextStripper stripper = new PDFTextStripper();
            stripper.setStartPage(4);
            stripper.setEndPage(4);
            assertThat(stripper.getText(document))
                    .startsWith("Anna hears Anna")
                    .contains("All of it 0.0 dB Phones ceiling guard on")
                    .contains("Voice −6.0 dB right 25 % pre-fader")
                    .contains("Lead voice −3.0 dB right 25 % direct from the interface past the guard");
        }
    }

    /** The guard of headphones stands behind what is sent out there, though no cue leaves by them. */
    @Test
    public void headphonesThatOnlyGetWhatIsSentOutAreGuarded() throws IOException {
        Session without = OneSinger.session().withCues(List.of());
        Session sent = new SendOut(OneSinger.TRACK, OneSinger.PAIR.id(), Side.BOTH, Optional.empty(), Optional.empty())
                .applyTo(without, OneSinger.RIG);
        assertThat(text(pdf(sent, OneSinger.RIG))).containsPattern("Phones .*Voice on\\R");
        assertThat(text(pdf(without, OneSinger.RIG))).doesNotContainPattern("Phones .* on\\R");
    }

    @Test
    public void whatACuePassesStandsOnItsPage() throws IOException {
        Session session = OneSinger.session();
        Cue cue = session.cues().get(0);
        Session passing = session.withCues(List.of(cue.withHighPass(new Corner(true, 90))
                .at(Ears.MONO)
                .comforted(new Comfort(true, Comfort.Room.LARGE, Decibels.of(-6)))
                .withSend(cue.sends().get(0).trackId(), send -> send.comforted(Decibels.of(-3)))));
        String text = text(pdf(passing, OneSinger.RIG)).replaceAll("\\s+", " ");
        assertThat(text)
                .contains("All of it passes")
                .contains("high-pass 90 Hz; mono; comfort reverb large room \u22126.0 dB")
                .contains("pre-fader comfort reverb \u22123.0 dB");
        assertThat(text(pdf(session, OneSinger.RIG))).doesNotContain("passes");
    }

    @Test
    public void aLongListGoesOnUnderItsHeading() throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf(list(16 + 100)))) {
            PDFTextStripper stripper = new PDFTextStripper();
            assertThat(document.getNumberOfPages()).isBetween(7, 12);
            stripper.setStartPage(3);
            stripper.setEndPage(3);
            assertThat(stripper.getText(document)).startsWith("Input list");
            stripper.setStartPage(1);
            stripper.setEndPage(document.getNumberOfPages());
            assertThat(stripper.getText(document)).contains("Violín 116");
        }
    }

    @Test
    public void aStereoSourceHasALineForEachOfItsCablesInThePatch() throws IOException {
        Session session = Edit.applyAll(
                List.of(
                        new SetInputWidth(new InputId("i1"), 2),
                        new SetInputPolarity(new InputId("i1"), true),
                        new SetInputNotes(new InputId("i1"), "from above")),
                list(1),
                RIG);
        assertThat(text(session))
                .contains("Violín 1, stereo,", "polarity flipped", "from above")
                .contains("Violín 1 left", "Violín 1 right", "House in-1 | House");
    }

    @Test
    public void aSignThatTheFontHasNotIsNoReasonToPrintNothing() throws IOException {
        Session session = new AddInput(new InputId("koto"), 1, "箏 koto\tleft").applyTo(RandomSessions.blank(), RIG);
        assertThat(text(session)).contains("? koto left");
    }

    @Test
    public void whatIsLookedForIsBoldAndLargeEnoughForAWall() throws IOException {
        Map<String, TextPosition> words = new HashMap<>();
        PDFTextStripper stripper = new PDFTextStripper() {
            @Override
            protected void writeString(String text, List<TextPosition> positions) {
                words.putIfAbsent(text, positions.get(0));
            }
        };
        stripper.setEndPage(1);
        try (PDDocument document = Loader.loadPDF(pdf(list(3)))) {
            stripper.getText(document);
        }
        assertThat(words.get("Violín 2").getFontSizeInPt()).isEqualTo(11);
        assertThat(words.get("Violín 2").getFont().getName()).endsWith("InstrumentSans-Bold");
        assertThat(words.get("House in-2").getFont().getName()).endsWith("InstrumentSans-Bold");
        assertThat(words.get("short boom").getFontSizeInPt()).isEqualTo(11);
        assertThat(words.get("short boom").getFont().getName()).endsWith("InstrumentSans-Regular");
        assertThat(words.get("Input list").getFont().getName()).endsWith("Fraunces-SemiBold");
        assertThat(words).doesNotContainKeys("Notes", "Track");
    }

    @Test
    public void longNamesAreBrokenBetweenWordsOnly() throws IOException {
        String name = "Bassklarinettenverlängerung am Fenster, hinter dem Vorhang";
        Session session = Edit.applyAll(
                List.of(
                        new SetInputSource(new InputId("i1"), name),
                        new SetInputNotes(new InputId("i2"), "x ".repeat(60))),
                list(3),
                RIG);
        assertThat(text(session)).contains("Bassklarinettenverlängerung");
        assertThat(text(session).replaceAll("\\s+", " ")).contains("Fenster,").contains("Vorhang");
    }

    @Test
    public void aNoteThatIsLongerThanAPageGoesOnOnTheNext() throws IOException {
        String note = IntStream.range(0, 3000).mapToObj(n -> "n" + n).collect(Collectors.joining(" "));
        Session list = list(3);
        Session session = list.plus(list.find(new InputId("i2")).orElseThrow().noted(note));
        assertThat(text(session).split("\\s+")).contains(note.split(" "));
    }

    @Test
    public void aSessionWithoutInputsHasSheetsThatSaySo() throws IOException {
        assertThat(text(RandomSessions.blank())).contains("Nothing yet.").contains("page 4 of 4");
    }

    @Test
    public void cablesComeWithAReserveAndTheLockerSaysWhatItLacks() {
        Session session = list(7);
        List<BringList.Item> items = BringList.of(session, RIG);
        assertThat(items)
                .containsExactly(
                        new BringList.Item(
                                "Mics and DIs", "a found horn", 5, "not in the locker", true, Optional.empty()),
                        new BringList.Item(
                                "Mics and DIs", "ribbon, Dunlin R", 2, "the locker has 1", true, Optional.empty()),
                        new BringList.Item("Stands", "short boom", 7, ""),
                        new BringList.Item("Cables", "7.5 m", 9, "2 in reserve"));
        assertThat(InputListCsv.bringList(session, RIG))
                .contains("2,\"ribbon, Dunlin R\",Mics and DIs,the locker has 1");
    }

    @Test
    public void theMicOfTheLockerBringsItsPhantomAlong() {
        Session session = list(1);
        assertThat(session.find(new InputId("i1")).orElseThrow().phantom()).isEqualTo(PhantomWish.NEVER);
    }

    /** Violins with a ribbon on the first two, at the ports that are there. */
    private static Session list(int inputs) {
        Session session = RandomSessions.blank();
        for (int n = 1; n <= inputs; n++) {
            InputId id = new InputId("i" + n);
            Edit mic = n <= 2 ? new ChooseMic(id, new MicId("dunlin")) : new SetInputMic(id, "a found horn");
            Optional<PortId> port = n <= RandomSessions.INPUTS ? Optional.of(new PortId("in-" + n)) : Optional.empty();
            session = Edit.applyAll(
                    List.of(
                            new AddInput(id, n, "Violín " + n),
                            mic,
                            new SetInputStand(id, "short boom"),
                            new SetInputCable(id, 7.5),
                            new PatchInput(id, port.stream().toList())),
                    session,
                    RIG);
        }
        return session;
    }

    private static byte[] pdf(Session session) throws IOException {
        return pdf(session, RIG);
    }

    private static byte[] pdf(Session session, Rig rig) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        SheetsPdf.write(session, rig, List.of(session), LocalDate.of(2026, 3, 1), out);
        return out.toByteArray();
    }

    private static String text(Session session) throws IOException {
        return text(pdf(session));
    }

    private static String text(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document);
        }
    }
}
