package vividlantern.session;

/**
 * How a track is found among many: nothing of it is heard.
 *
 * @param folder tracks of one folder stand together and fold; "" for none
 * @param hidden out of sight among the tracks; it sounds as before and stays in every cue
 */
public record Look(Colour colour, Mark mark, String folder, boolean hidden) {

    public static final Look PLAIN = new Look(Colour.NONE, Mark.NONE, "", false);

    /** Eight colours that people who tell red and green badly can tell apart; none of them means anything by itself. */
    public enum Colour {
        NONE,
        AMBER,
        SKY,
        FERN,
        STRAW,
        DEEP,
        BRICK,
        MALLOW,
        SLATE
    }

    public enum Mark {
        NONE,
        MIC,
        VOICE,
        STRINGS,
        KEYS,
        DRUM,
        WIND,
        ROOM
    }

    public Look in(Colour newColour) {
        return new Look(newColour, mark, folder, hidden);
    }

    public Look with(Mark newMark) {
        return new Look(colour, newMark, folder, hidden);
    }

    public Look inFolder(String newFolder) {
        return new Look(colour, mark, newFolder, hidden);
    }

    public Look hidden(boolean away) {
        return new Look(colour, mark, folder, away);
    }
}
