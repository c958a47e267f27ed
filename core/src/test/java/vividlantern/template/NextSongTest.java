package vividlantern.template;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Refused;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.edit.MarkerEdit.SetMarker;
import vividlantern.session.song.MarkerId;
import vividlantern.session.song.SongEntry;
import vividlantern.session.song.TempoMap;

/** From song to song of one production. */
public class NextSongTest {

    private static final SessionId NEXT = new SessionId("next");

    private static NextSong.Listed listed(String id, double place) {
        return new NextSong.Listed(new SessionId(id), new SongEntry(new SessionId("s"), place, "", ""));
    }

    @Test
    public void theMixGoesOnAndThePartsOfTheLastSongDoNot() {
        Session last =
                new SetMarker(new MarkerId("verse"), "Verse", 5).applyTo(RandomSessions.session(4), RandomSessions.RIG);
        Session next = NextSong.after(last, NEXT, "Slack tide", Optional.of(96.0), List.of(listed("s", 5)));
        assertThat(next.cues()).isEqualTo(last.cues());
        assertThat(next.tracks()).isEqualTo(last.tracks());
        assertThat(next.inputs()).isEqualTo(last.inputs());
        assertThat(next.groups()).isEqualTo(last.groups());
        assertThat(next.markers()).isEmpty();
        assertThat(next.song()).isEqualTo("Slack tide");
        assertThat(next.tempoMap()).isEqualTo(TempoMap.steady(96, 4, 4));
        assertThat(next.songEntry()).contains(new SongEntry(last.id(), 6, "", ""));
        assertThat(next.revision()).isZero();
    }

    @Test
    public void itComesRightAfterTheLastSong() {
        Session last = RandomSessions.session(0);
        Session next = NextSong.after(last, NEXT, "B", Optional.empty(), List.of(listed("s", 1), listed("c", 2)));
        assertThat(next.songEntry().orElseThrow().place()).isEqualTo(1.5);
        assertThat(next.tempoMap()).isEqualTo(last.tempoMap());
    }

    @Test
    public void aSongIsPutInFrontOfAnotherOrLast() {
        List<NextSong.Listed> list = List.of(listed("a", 1), listed("b", 2), listed("c", 3));
        assertThat(NextSong.place(new SessionId("c"), Optional.of(new SessionId("b")), list))
                .isEqualTo(1.5);
        assertThat(NextSong.place(new SessionId("c"), Optional.of(new SessionId("a")), list))
                .isEqualTo(0);
        assertThat(NextSong.place(new SessionId("a"), Optional.empty(), list)).isEqualTo(4);
        assertThat(NextSong.inOrder(List.of(listed("b", 2), listed("a", 1)))
                        .get(0)
                        .session())
                .isEqualTo(new SessionId("a"));
        assertThatThrownBy(() -> NextSong.place(new SessionId("a"), Optional.of(new SessionId("x")), list))
                .isInstanceOf(Refused.class);
    }

    @Test
    public void aSongHasANameAndATempoThatCanBe() {
        Session last = RandomSessions.session(0);
        assertThatThrownBy(() -> NextSong.after(last, NEXT, " ", Optional.empty(), List.of()))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("needs a name");
        assertThatThrownBy(() -> NextSong.after(last, NEXT, "B", Optional.of(5.0), List.of()))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("between 10 and 600");
    }
}
