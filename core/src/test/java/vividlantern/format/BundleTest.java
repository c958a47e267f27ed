package vividlantern.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Refused;
import vividlantern.rig.PortId;
import vividlantern.session.ControlRoom;
import vividlantern.session.Session;
import vividlantern.session.SourceKind;
import vividlantern.session.chain.Chain;
import vividlantern.session.cue.Comfort;
import vividlantern.session.cue.Compressor;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Ears;
import vividlantern.session.song.ClickPattern;
import vividlantern.session.song.Marker;
import vividlantern.session.song.Media;
import vividlantern.session.song.MediaId;
import vividlantern.session.song.TempoMap;
import vividlantern.template.Setting;
import vividlantern.template.Template;
import vividlantern.units.Decibels;

/** A session as a ZIP file, there and back, and what is refused. */
public class BundleTest {

    private static final LocalDate DAY = LocalDate.of(2026, 5, 4);

    private static byte[] bundle(Session session) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        new Bundle(session, RandomSessions.RIG)
                .write(DAY, out, media -> Optional.of(new ByteArrayInputStream(sound(media))));
        return out.toByteArray();
    }

    private static byte[] sound(Media media) {
        return ("the sound " + media.id()).getBytes(StandardCharsets.UTF_8);
    }

    private static byte[] zip(Map<String, byte[]> files) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                zip.putNextEntry(new ZipEntry(file.getKey()));
                zip.write(file.getValue());
            }
        }
        return out.toByteArray();
    }

    private static byte[] documents(String session, String rig) throws IOException {
        Map<String, byte[]> files = new LinkedHashMap<>();
        files.put("session.json", session.getBytes(StandardCharsets.UTF_8));
        files.put("rig.json", rig.getBytes(StandardCharsets.UTF_8));
        return zip(files);
    }

    private static Bundle read(byte[] bytes) throws IOException {
        return Bundle.read(new ByteArrayInputStream(bytes), (name, wav) -> {});
    }

    private static void refused(byte[] bytes, String reason) {
        assertThatThrownBy(() -> read(bytes)).isInstanceOf(Refused.class).hasMessageContaining(reason);
    }

    @Test
    public void whatIsWrittenIsReadBack() throws IOException {
        for (int seed = 0; seed < 20; seed++) {
            Session session = RandomSessions.session(seed);
            Bundle read = read(bundle(session));
            assertThat(read.session()).isEqualTo(session);
            assertThat(read.rig()).isEqualTo(RandomSessions.RIG);
        }
    }

    @Test
    public void oneThatIsCutOffAnywhereIsRefused() throws IOException {
        byte[] whole = bundle(RandomSessions.session(1));
        assertThat(read(whole).session()).isNotNull();
        for (int missing : new int[] {1, 5, 22, 23, 60, 300, whole.length / 2, whole.length - 10}) {
            refused(Arrays.copyOf(whole, whole.length - missing), "This bundle was not taken in.");
        }
    }

    @Test
    public void itIsUsefulWithoutThisProgram() throws IOException {
        List<String> names = new ArrayList<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(bundle(RandomSessions.session(1))))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                names.add(entry.getName());
                byte[] content = zip.readAllBytes();
                assertThat(content).isNotEmpty();
                if (entry.getName().equals("READ-ME.txt")) {
                    assertThat(new String(content, StandardCharsets.UTF_8)).contains("on 2026-05-04", "sheets.pdf");
                }
            }
        }
        assertThat(names)
                .containsExactly(
                        "READ-ME.txt",
                        "session.json",
                        "rig.json",
                        "input-list.csv",
                        "what-to-bring.csv",
                        "tempo.mid",
                        "sheets.pdf",
                        "sounds/Guide 1.wav");
    }

    @Test
    public void itBringsItsSoundsWithNamesOfTheirOwnAndGoesWithoutThoseThatAreMissing() throws IOException {
        Session session = RandomSessions.session(1);
        Media guide = session.sounds().findFirst().orElseThrow();
        Media other = new Media(new MediaId("f1"), "guide 1.WAV", 1, 48_000, 100);
        Media lost = new Media(new MediaId("f2"), "Lost/1.wav", 1, 48_000, 100);
        List<ClickPattern.Voice> voices = session.click().voices();
        Session three = session.with(new ClickPattern(
                1, List.of(voices.get(0).striking(other), voices.get(1).striking(lost))));
        for (boolean there : new boolean[] {true, false}) {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            new Bundle(three, RandomSessions.RIG)
                    .write(
                            DAY,
                            out,
                            media -> there || media.equals(guide)
                                    ? Optional.of(new ByteArrayInputStream(sound(media)))
                                    : Optional.empty());
            Map<String, String> came = new LinkedHashMap<>();
            Bundle read = Bundle.read(
                    new ByteArrayInputStream(out.toByteArray()),
                    (name, wav) -> came.put(name, new String(wav.readAllBytes(), StandardCharsets.UTF_8)));
            assertThat(read.session()).isEqualTo(three);
            if (there) {
                assertThat(came)
                        .hasSize(3)
                        .containsEntry("guide 1.wav", "the sound f1")
                        .containsEntry("Lost_1.wav", "the sound f2")
                        .containsEntry("Guide 1 2.wav", "the sound " + guide.id());
            } else {
                assertThat(came).hasSize(1).containsEntry("Guide 1.wav", "the sound " + guide.id());
            }
        }
    }

    @Test
    public void whatIsNoBundleIsRefused() throws IOException {
        refused("hello".getBytes(StandardCharsets.UTF_8), "no ZIP file");
        refused(new byte[0], "no ZIP file");
        refused(zip(Map.of("other.txt", new byte[3])), "has no session.json");
        byte[] whole = bundle(RandomSessions.session(1));
        refused(Arrays.copyOf(whole, 1500), "not taken in");
    }

    @Test
    public void pathsThatClimbAreRefused() throws IOException {
        for (String name : List.of("../x", "/etc/x", "a/../../x", "C:\\x", "a\\b")) {
            refused(zip(Map.of(name, new byte[3])), "leads out of it");
        }
    }

    @Test
    public void whatUnpacksToFarMoreIsRefused() throws IOException {
        refused(zip(Map.of("zeros", new byte[30 << 20])), "more than 100 times");
        Map<String, byte[]> many = new LinkedHashMap<>();
        for (int file = 0; file <= 10_000; file++) {
            many.put("f" + file, new byte[0]);
        }
        refused(zip(many), "more than 10 000 files");
    }

    @Test
    public void whatCannotBeIsRefusedWithItsPlace() throws IOException {
        Session session = RandomSessions.session(1);
        String good = Documents.write(SessionDocument.of(session));
        String rig = Documents.write(RigDocument.of(RandomSessions.RIG));
        assertThat(read(documents(good, rig)).session()).isEqualTo(session);
        refused(documents("{", rig), "session.json cannot be read at");
        refused(documents(good.replaceFirst("\"hear\":\"[a-z]+\"", "\"hear\":\"loud\""), rig), "/session/tracks/");
        refused(documents(good.replaceFirst("\"version\":[0-9]+", "\"version\":99"), rig), "of version 99");
        refused(documents(good.replaceFirst("vivid-lantern-session", "other"), rig), "not a session document");
        refused(
                documents(good.replaceFirst("\"sampleRate\":48000", "\"sampleRate\":0"), rig),
                "A sample rate in Hz lies between 8000 and 384000");
        refused(documents(good.replaceFirst("\"trackId\":\"t0\"", "\"trackId\":\"gone\""), rig), "no track 'gone'");
        refused(documents(good, rig.replaceFirst("\"celsius\":[0-9.]+", "\"celsius\":900")), "rig.json");
    }

    /** Documents of every earlier version are read for ever. */
    @Test
    public void sessionsWrittenBeforeThereWereGroupsHaveNone() throws IOException {
        String old = new String(
                BundleTest.class.getResourceAsStream("/session-1.json").readAllBytes(), StandardCharsets.UTF_8);
        Session read = Documents.read(old, SessionDocument.class).checked();
        assertThat(read.groups()).isEmpty();
        assertThat(read.songEntry()).isEmpty();
        assertThat(read.tracks()).isNotEmpty();
    }

    @Test
    public void templatesWrittenBeforeTheyKnewThePageAreRead() throws IOException {
        String old = new String(
                BundleTest.class.getResourceAsStream("/template-1.json").readAllBytes(), StandardCharsets.UTF_8);
        Template read = Documents.read(old, TemplateDocument.class).template();
        assertThat(read.page()).isEmpty();
        assertThat(read.session().inputs()).hasSize(13);
    }

    @Test
    public void whatWasWrittenBeforeThereWasMonitoringIsRead() throws IOException {
        Session session = Documents.read(resource("/session-2.json"), SessionDocument.class)
                .checked();
        assertThat(session.direct()).isEmpty();
        assertThat(session.monitoring()).isEmpty();
        assertThat(session.performers()).isNotEmpty().allSatisfy(each -> {
            assertThat(each.plays()).isEmpty();
            assertThat(each.metres()).isZero();
        });
        assertThat(session.tracks())
                .isNotEmpty()
                .allSatisfy(each -> assertThat(each.shiftFrames()).isZero());
        assertThat(Documents.read(resource("/template-2.json"), TemplateDocument.class)
                        .checked()
                        .session()
                        .inputs())
                .hasSize(13);
        assertThat(Documents.read(resource("/kit-1.json"), KitDocument.class)
                        .checked()
                        .session()
                        .cues())
                .hasSize(3);
    }

    @Test
    public void whatWasWrittenBeforeTheControlRoomHadSettingsIsRead() throws IOException {
        Session session = Documents.read(resource("/session-3.json"), SessionDocument.class)
                .checked();
        assertThat(session.controlRoom()).isEmpty();
        assertThat(session.inControlRoom().main().level()).isEqualTo(Decibels.ZERO);
        assertThat(session.direct()).hasSize(1);
        assertThat(session.monitored().toleranceMs(SourceKind.VOICE)).isEqualTo(3);
        assertThat(Documents.read(resource("/template-3.json"), TemplateDocument.class)
                        .checked()
                        .session()
                        .inputs())
                .hasSize(13);
        assertThat(Documents.read(resource("/kit-2.json"), KitDocument.class)
                        .checked()
                        .session()
                        .cues())
                .hasSize(3);
    }

    @Test
    public void whatWasWrittenBeforeSongsHadSoundsAndAnEndIsRead() throws IOException {
        Session session = Documents.read(resource("/session-4.json"), SessionDocument.class)
                .checked();
        assertThat(session.backing()).isEmpty();
        assertThat(session.tempoMap().lastBar()).isEmpty();
        assertThat(session.tempoMap().pickUpQuarters()).isZero();
        assertThat(session.tempoMap().meters())
                .hasSize(3)
                .allSatisfy(meter -> assertThat(meter.feltIn()).isZero());
        assertThat(session.markers()).hasSize(5).noneMatch(Marker::needsClick);
        assertThat(session.click().countInOnly()).isFalse();
        assertThat(session.click().silentIn()).isEmpty();
        ClickPattern.Voice beats = session.click().voices().get(0);
        assertThat(beats.decayMs()).isEmpty();
        assertThat(beats.strokes(new TempoMap.Meter(1, 3, 4)))
                .containsExactly(
                        ClickPattern.Stroke.ACCENTED, ClickPattern.Stroke.SILENT, ClickPattern.Stroke.SOUNDING);
        assertThat(Documents.read(resource("/template-4.json"), TemplateDocument.class)
                        .checked()
                        .session()
                        .inputs())
                .hasSize(13);
        assertThat(Documents.read(resource("/kit-3.json"), KitDocument.class)
                        .checked()
                        .session()
                        .cues())
                .hasSize(3);
    }

    @Test
    public void whatWasWrittenBeforeVoicesHadSoundsOfTheirOwnIsRead() throws IOException {
        Session session = Documents.read(resource("/session-5.json"), SessionDocument.class)
                .checked();
        assertThat(session.backing()).hasSize(1);
        assertThat(session.click().voices()).allMatch(voice -> voice.ownSound().isEmpty());
        assertThat(session.click().voices().get(0).decayMs()).hasValue(20.0);
        assertThat(session.click().whileStopped()).isFalse();
        assertThat(session.click().onlyArmed()).isFalse();
        assertThat(session.click().stopsAfterBars()).isEqualTo(48);
        assertThat(session.click().silentIn()).hasSize(1);
        assertThat(Documents.read(resource("/template-5.json"), TemplateDocument.class)
                        .checked()
                        .session()
                        .inputs())
                .hasSize(13);
        assertThat(Documents.read(resource("/kit-4.json"), KitDocument.class)
                        .checked()
                        .session()
                        .cues())
                .hasSize(3);
    }

    @Test
    public void whatWasWrittenWhileEveryInputHadAGainIsRead() throws IOException {
        Session session = Documents.read(resource("/session-6.json"), SessionDocument.class)
                .checked();
        assertThat(session.inputs().get(0).gainDb()).hasValue(32.0);
        assertThat(session.inputs().get(1).gainDb()).hasValue(0.0);
        assertThat(session.inputs()).allMatch(input -> input.gainDb().isPresent());
        assertThat(session.click().voices().get(0).accentPitchHz()).hasValue(1700.0);
        assertThat(session.click().onlyArmed()).isTrue();
        assertThat(Documents.read(resource("/template-6.json"), TemplateDocument.class)
                        .checked()
                        .session()
                        .inputs())
                .hasSize(13);
        assertThat(Documents.read(resource("/kit-5.json"), KitDocument.class)
                        .checked()
                        .session()
                        .cues())
                .hasSize(3);
    }

    @Test
    public void whatWasWrittenBeforeCuesHadComfortReverbIsRead() throws IOException {
        Session session = Documents.read(resource("/session-7.json"), SessionDocument.class)
                .checked();
        assertThat(session.cues()).hasSize(3).allSatisfy(cue -> {
            assertThat(cue.compressor()).isEqualTo(new Compressor());
            assertThat(cue.comfort()).isEqualTo(new Comfort());
            assertThat(cue.ears()).isEqualTo(Ears.STEREO);
            assertThat(cue.sends()).isNotEmpty().allMatch(send -> send.comfort().isOff());
        });
        assertThat(Documents.read(resource("/template-7.json"), TemplateDocument.class)
                        .checked()
                        .session()
                        .cues())
                .hasSize(3);
        assertThat(Documents.read(resource("/kit-6.json"), KitDocument.class)
                        .checked()
                        .session()
                        .cues())
                .hasSize(3);
        assertThat(Documents.read(resource("/setting-1.json"), SettingDocument.class)
                        .checked()
                        .sends())
                .hasSize(3)
                .allMatch(send -> send.comfort().isOff());
    }

    @Test
    public void whatWasWrittenBeforeTheControlRoomCouldTalkIsRead() throws IOException {
        for (Session session : List.of(
                Documents.read(resource("/session-8.json"), SessionDocument.class)
                        .checked(),
                Documents.read(resource("/template-8.json"), TemplateDocument.class)
                        .checked()
                        .session())) {
            assertThat(session.inControlRoom().listenMic())
                    .contains(new ControlRoom.ListenMic(new PortId("harbour-in-12"), Decibels.of(3), false));
            assertThat(session.inControlRoom().talkback()).isEmpty();
            assertThat(session.find(new CueId("voice")).orElseThrow().comfort().on())
                    .isTrue();
        }
    }

    @Test
    public void whatWasWrittenBeforeEarsHadAMaximumOfTheirOwnIsRead() throws IOException {
        for (Session session : List.of(
                Documents.read(resource("/session-9.json"), SessionDocument.class)
                        .checked(),
                Documents.read(resource("/template-9.json"), TemplateDocument.class)
                        .checked()
                        .session())) {
            assertThat(session.monitored().earMaximum()).isEqualTo(105);
            assertThat(session.cues()).hasSize(3);
        }
    }

    @Test
    public void whatWasWrittenBeforeCuesLeftBySeveralPairsIsRead() throws IOException {
        for (Session session : List.of(
                Documents.read(resource("/session-10.json"), SessionDocument.class)
                        .checked(),
                Documents.read(resource("/template-10.json"), TemplateDocument.class)
                        .checked()
                        .session(),
                Documents.read(resource("/kit-7.json"), KitDocument.class)
                        .checked()
                        .session())) {
            assertThat(session.cues())
                    .hasSize(3)
                    .allMatch(cue -> cue.furtherOutputs().isEmpty());
            assertThat(session.find(new CueId("voice")).orElseThrow().comfort().echo())
                    .isPresent();
        }
    }

    @Test
    public void whatWasWrittenBeforeTracksHadChainsIsRead() throws IOException {
        for (Session session : List.of(
                Documents.read(resource("/session-11.json"), SessionDocument.class)
                        .checked(),
                Documents.read(resource("/template-11.json"), TemplateDocument.class)
                        .checked()
                        .session(),
                Documents.read(resource("/kit-8.json"), KitDocument.class)
                        .checked()
                        .session())) {
            assertThat(session.cues()).hasSize(3);
            assertThat(session.chains()).isEmpty();
        }
        Setting setting = Documents.read(resource("/setting-2.json"), SettingDocument.class)
                .checked();
        assertThat(setting.sends()).hasSize(3);
        assertThat(setting.printed()).isEqualTo(Chain.EMPTY);
        assertThat(setting.heardOnly()).isEqualTo(Chain.EMPTY);
    }

    /** No document makes the speakers louder than an edit could. */
    @Test
    public void speakersOfADocumentAreBoundedToo() throws IOException {
        String good = Documents.write(SessionDocument.of(RandomSessions.session(4)));
        String rig = Documents.write(RigDocument.of(RandomSessions.RIG));
        refused(documents(good.replaceFirst("\"dimDb\":[0-9.]+", "\"dimDb\":-20"), rig), "by 3 to 60 dB");
        refused(
                documents(
                        good.replaceFirst("(\"controlRoom\":.\"dimDb\":[0-9.]+,\"main\":.\"level\":)[0-9.]+", "$112.0"),
                        rig),
                "get up to 0.0 dB");
    }

    private static String resource(String name) throws IOException {
        return new String(BundleTest.class.getResourceAsStream(name).readAllBytes(), StandardCharsets.UTF_8);
    }
}
