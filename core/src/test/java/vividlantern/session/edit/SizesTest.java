package vividlantern.session.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.function.IntFunction;
import java.util.function.ToIntFunction;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Refused;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.CueEdit.AddCue;
import vividlantern.session.edit.MarkerEdit.SetMarker;
import vividlantern.session.edit.PerformerEdit.AddPerformer;
import vividlantern.session.edit.SessionEdit.SetMainLevel;
import vividlantern.session.edit.TrackEdit.AddTrack;
import vividlantern.session.song.MarkerId;
import vividlantern.units.Decibels;

/** A session holds so much and no more; what is full can still be changed. */
public class SizesTest {

    private static final Session BLANK = RandomSessions.blank();

    @DataProvider
    public Object[][] kinds() {
        return new Object[][] {
            {
                "tracks",
                512,
                size(session -> session.tracks().size()),
                add(n -> new AddTrack(new TrackId("t-" + n), "T" + n, 1, List.of()))
            },
            {"cues", 64, size(session -> session.cues().size()), add(n -> new AddCue(new CueId("c-" + n), "C" + n))},
            {
                "markers",
                1000,
                size(session -> session.markers().size()),
                add(n -> new SetMarker(new MarkerId("m-" + n), "M" + n, n))
            },
        };
    }

    @Test(dataProvider = "kinds")
    public void whatASessionHoldsAtMostFitsAndOneMoreDoesNot(
            String what, int most, ToIntFunction<Session> size, IntFunction<Edit> add) {
        int begun = size.applyAsInt(BLANK);
        List<Edit> edits = IntStream.rangeClosed(1, most - begun).mapToObj(add).toList();
        Session full = Edit.applyAll(edits, BLANK, RandomSessions.RIG);
        assertThat(size.applyAsInt(full)).isEqualTo(most);
        assertThatThrownBy(() -> Edit.applyAll(List.of(add.apply(most + 1)), full, RandomSessions.RIG))
                .isInstanceOf(Refused.class)
                .hasMessage("A session holds at most " + most + " " + what + "; these would be " + (most + 1) + ".");
        Edit other = new SetMainLevel(Decibels.of(-3));
        assertThat(Edit.applyAll(List.of(other), full, RandomSessions.RIG)
                        .main()
                        .level())
                .isEqualTo(Decibels.of(-3));
    }

    @Test
    public void performersAreCountedToo() {
        List<Edit> edits = IntStream.rangeClosed(1, 257)
                .<Edit>mapToObj(n -> new AddPerformer(new PerformerId("p-" + n), "P" + n, ""))
                .toList();
        assertThatThrownBy(() -> Edit.applyAll(edits, BLANK, RandomSessions.RIG))
                .hasMessageContaining("at most 256 performers");
    }

    private static ToIntFunction<Session> size(ToIntFunction<Session> size) {
        return size;
    }

    private static IntFunction<Edit> add(IntFunction<Edit> add) {
        return add;
    }
}
