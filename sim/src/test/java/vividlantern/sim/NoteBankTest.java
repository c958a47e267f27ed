package vividlantern.sim;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import vividlantern.hardware.AudioDevice;
import vividlantern.session.song.TempoMap;

/** What is synthesized is kept up to a number of bytes, whatever is played. */
public class NoteBankTest {

    private final List<String> made = new ArrayList<>();

    @BeforeMethod
    public void begin() {
        made.clear();
    }

    private float[] sound(NoteBank bank, String key, int frames) {
        return bank.sound(key, () -> {
            made.add(key);
            return new float[frames];
        });
    }

    @Test
    public void whatWasAskedForLongestAgoGoesFirst() {
        NoteBank bank = new NoteBank(1000);
        sound(bank, "a", 100);
        sound(bank, "b", 100);
        sound(bank, "a", 100);
        assertThat(made).containsExactly("a", "b");
        sound(bank, "c", 100);
        assertThat(bank.bytes()).isEqualTo(800);
        assertThat(bank.kept()).as("a was asked for after b").containsExactlyInAnyOrder("a", "c");
    }

    @Test
    public void whatSomebodyStillHoldsIsNotMadeAgain() {
        NoteBank bank = new NoteBank(1000);
        float[] held = sound(bank, "a", 200);
        sound(bank, "b", 200);
        assertThat(bank.kept()).containsExactly("b");
        assertThat(sound(bank, "a", 200)).isSameAs(held);
        assertThat(made).containsExactly("a", "b");
    }

    @Test
    public void oneThatIsLargerThanAllIsGivenAndNotKept() {
        NoteBank bank = new NoteBank(1000);
        sound(bank, "small", 100);
        assertThat(sound(bank, "large", 5000)).hasSize(5000);
        assertThat(bank.bytes()).isLessThanOrEqualTo(1000);
    }

    @Test
    public void aStudioThatHasPlayedHoldsNone() {
        StandInStudio studio = StandInStudio.open(Take.RIG, new NoteBank(), 48_000, 128, TempoMap.steady(100, 3, 4));
        studio.warmUp();
        assertThat(studio.heldNotes()).isGreaterThan(100);
        studio.run(
                (in, out, frames, frame) -> false, (converted, frames, frame) -> {}, 128, AudioDevice.Pace.UNHURRIED);
        assertThat(studio.heldNotes()).isZero();
    }

    @Test
    public void theNotesOfManyTemposAndAllRatesTakeFortyEightMebibytes() {
        NoteBank bank = new NoteBank();
        for (int rate : new int[] {44_100, 48_000, 88_200, 96_000, 176_400, 192_000}) {
            for (int tempo = 100; tempo < 102; tempo++) {
                StandInStudio.open(Take.RIG, bank, rate, 128, TempoMap.steady(tempo, 3, 4))
                        .warmUp();
                assertThat(bank.bytes()).isBetween(1L, 48L << 20);
            }
        }
    }
}
