package vividlantern.playback;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.click.OwnSounds;
import vividlantern.session.Session;
import vividlantern.session.song.ClickPattern;
import vividlantern.session.song.Media;

/** The short sounds of the click's voices are read whole, once, into one channel. */
public class VoiceSoundsTest {

    private static final Session SESSION = RandomSessions.session(3);

    private static Session striking(Media... sounds) {
        List<ClickPattern.Voice> voices = SESSION.click().voices();
        return SESSION.with(new ClickPattern(
                1,
                Stream.iterate(0, at -> at < sounds.length, at -> at + 1)
                        .map(at -> voices.get(at).striking(sounds[at]))
                        .toList()));
    }

    @Test
    public void channelsAreFoldedAndNothingIsReadTwice() {
        SoundsInMemory shelf = new SoundsInMemory();
        Media knock = shelf.keep("b1", new float[][] {{0.5f, -0.5f, 0.25f}, {0.25f, 0.5f, 0.25f}});
        OwnSounds first = VoiceSounds.of(striking(knock), shelf, OwnSounds.NONE);
        assertThat(first.find(knock)).hasValue(new float[] {0.375f, 0, 0.25f});
        Media other = shelf.keep("b2", new float[][] {{0.5f}});
        OwnSounds second = VoiceSounds.of(striking(knock, other), shelf, first);
        assertThat(second.find(other)).hasValue(new float[] {0.5f});
        assertThat(second.find(knock).orElseThrow()).isSameAs(first.find(knock).orElseThrow());
        assertThat(shelf.opened).isEqualTo(2);
        assertThat(shelf.closed).isEqualTo(2);
        assertThat(VoiceSounds.of(striking(other), shelf, second).samples()).containsOnlyKeys(other.id());
    }

    @Test
    public void whatCannotBeReadIsLeftOutAndTriedAgain() {
        SoundsInMemory shelf = new SoundsInMemory();
        Media knock = shelf.keep("b1", new float[][] {{0.5f}});
        shelf.fails = true;
        OwnSounds none = VoiceSounds.of(striking(knock), shelf, OwnSounds.NONE);
        assertThat(none.find(knock)).isEmpty();
        shelf.fails = false;
        assertThat(VoiceSounds.of(striking(knock), shelf, none).find(knock)).isPresent();
    }
}
