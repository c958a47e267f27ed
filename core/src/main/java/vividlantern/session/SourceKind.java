package vividlantern.session;

import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * What somebody plays, as far as it decides how late they may hear themselves. The tolerances are this program's starting points,
 * no standard: people differ, and each can be set.
 */
public enum SourceKind {
    STRUCK(
            6,
            "drum",
            "cajón",
            "cajon",
            "kick",
            "snare",
            "tom",
            "cymbal",
            "hi-hat",
            "shaker",
            "percussion",
            "conga",
            "bongo",
            "tambourine",
            "marimba",
            "xylophone"),
    WIND(
            4,
            "flute",
            "whistle",
            "clarinet",
            "oboe",
            "bassoon",
            "sax",
            "trumpet",
            "trombone",
            "horn",
            "tuba",
            "brass",
            "recorder",
            "pipe"),
    KEYS(10, "accordion", "piano", "organ", "keys", "keyboard", "synth", "harmonium", "concertina", "celesta"),
    /** One's own voice comes through the bones too; direct is better. */
    VOICE(
            4,
            "voice",
            "vocal",
            "singer",
            "choir",
            "soprano",
            "alto",
            "tenor",
            "baritone",
            "narrator",
            "speaker",
            "speech",
            "reader"),
    BOWED(6, "fiddle", "violin", "viola", "cello", "strings", "bowed"),
    PLUCKED(8, "guitar", "bouzouki", "banjo", "mandolin", "harp", "lute", "ukulele", "zither", "dulcimer"),
    BASS(10, "bass");

    private final double toleranceMs;
    private final List<String> words;

    SourceKind(double toleranceMs, String... words) {
        this.toleranceMs = toleranceMs;
        this.words = List.of(words);
    }

    /** How late it may be heard unless somebody has set something else. */
    public double toleranceMs() {
        return toleranceMs;
    }

    public String words() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** What a source is by its name, as in "Cajón front". */
    public static Optional<SourceKind> named(String source) {
        String said = source.toLowerCase(Locale.ROOT);
        for (SourceKind kind : values()) {
            if (kind.words.stream().anyMatch(said::contains)) {
                return Optional.of(kind);
            }
        }
        return Optional.empty();
    }
}
