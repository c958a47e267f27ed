package vividlantern.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.rig.Mic;
import vividlantern.rig.MicId;
import vividlantern.rig.Port;
import vividlantern.rig.Rig;
import vividlantern.rig.edit.MicEdit.PutMic;

/** Which mics hear what speakers of a room play. */
public class OpenMicsTest {

    private static final Rig RIG = new PutMic(new Mic(new MicId("limpet"), "Limpet", Mic.Kind.PASSIVE_DI, 1, 0, "XLR"))
            .applyTo(RandomSessions.RIG);
    private static final InputId FIDDLE = new InputId("fiddle");
    private static final PerformerId ANNA = new PerformerId("anna");
    private static final TrackId TRACK = new TrackId("fiddle");

    /** Anna's fiddle in the live room, on a track that is armed. */
    private static final Session SESSION = RandomSessions.blank()
            .plus(Performer.of(ANNA, 1, "Anna", "Live room, by the window"))
            .plus(Input.of(FIDDLE, 1, "Fiddle").playedBy(Optional.of(ANNA)).through("Wren L"))
            .plus(Track.forInputs(TRACK, 3, "Fiddle", 1, List.of(Feed.from(FIDDLE, 0)))
                    .armed(true));

    private static List<String> open(String room, Session session) {
        return OpenMics.in(room, session, RIG).stream().map(Input::source).toList();
    }

    @Test
    public void aPlaceIsInTheRoomBeforeItsComma() {
        assertThat(open("live room", SESSION)).containsExactly("Fiddle");
        assertThat(open("booth", SESSION)).isEmpty();
        assertThat(OpenMics.rooms(SESSION)).containsExactly("control room", "live room");
    }

    @Test
    public void onlyWhatIsArmedOrAlwaysHeardIsOpen() {
        Session idle = SESSION.change(TRACK, track -> track.armed(false));
        assertThat(open("live room", idle)).isEmpty();
        assertThat(open("live room", idle.change(TRACK, track -> track.heard(Hear.ALWAYS))))
                .containsExactly("Fiddle");
        assertThat(open("live room", SESSION.change(FIDDLE, input -> input.cut(true))))
                .isEmpty();
    }

    @Test
    public void whatHearsNoAirIsNoMic() {
        assertThat(open("live room", SESSION.change(FIDDLE, input -> input.through("Passive DI, Limpet"))))
                .isEmpty();
        assertThat(open("live room", SESSION.change(FIDDLE, input -> input.at(Port.Signal.LINE))))
                .isEmpty();
    }

    @Test
    public void aMicOfWhichNobodySaidItMayStandAnywhereButInTheControlRoom() {
        Session unsaid = SESSION.change(FIDDLE, input -> input.playedBy(Optional.empty()));
        assertThat(open("live room", unsaid)).containsExactly("Fiddle");
        assertThat(open(ControlRoom.OWN_ROOM, unsaid)).isEmpty();
        Session said = unsaid.change(FIDDLE, input -> input.placed("Control room, on the desk"));
        assertThat(open(ControlRoom.OWN_ROOM, said)).containsExactly("Fiddle");
        assertThat(open("live room", said)).isEmpty();
    }
}
