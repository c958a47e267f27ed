package vividlantern.click;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.session.song.ClickPattern;
import vividlantern.session.song.VoiceId;
import vividlantern.units.Decibels;

/** An accent has a pitch of its own, and is else the same stroke. */
public class ClickSoundTest {

    @DataProvider
    public Object[][] sounds() {
        return new Object[][] {
            {ClickPattern.Sound.WOOD}, {ClickPattern.Sound.TONE}, {ClickPattern.Sound.TICK}, {ClickPattern.Sound.SKIN}
        };
    }

    private static ClickPattern.Voice voice(ClickPattern.Sound sound, double pitchHz, Optional<Double> accentHz) {
        return new ClickPattern.Voice(
                new VoiceId("v"),
                "V",
                sound,
                pitchHz,
                1,
                false,
                Decibels.ZERO,
                List.of(),
                Optional.empty(),
                Optional.empty(),
                accentHz);
    }

    private static float[] stroke(ClickPattern.Voice voice, boolean accented) {
        return ClickSound.stroke(voice, accented, 48_000, OwnSounds.NONE);
    }

    @Test(dataProvider = "sounds")
    public void anAccentIsStruckAtItsPitch(ClickPattern.Sound sound) {
        ClickPattern.Voice usual = voice(sound, 800, Optional.empty());
        assertThat(stroke(usual, true)).isEqualTo(stroke(voice(sound, 1200, Optional.empty()), false));
        ClickPattern.Voice own = voice(sound, 800, Optional.of(500.0));
        assertThat(stroke(own, true)).isEqualTo(stroke(voice(sound, 500, Optional.empty()), false));
        assertThat(stroke(own, false)).isEqualTo(stroke(usual, false));
    }
}
