package vividlantern.format;

import vividlantern.basics.Refused;

/** What every document begins with: what it is, and in which version. */
final class DocumentHead {

    private DocumentHead() {}

    /**
     * Refuses a document that is another one, or of a version that this program does not know.
     *
     * @param what as in "a rig document"
     */
    static void require(String what, String format, String wanted, int version, int known) {
        if (!wanted.equals(format)) {
            throw new Refused(
                    "This is not " + what + ": its format is \"" + format + "\", not \"" + wanted + "\".", "format");
        }
        if (version < 1 || version > known) {
            throw new Refused(
                    "The document is of version " + version + "; this program reads up to version " + known + ".",
                    "version");
        }
    }
}
