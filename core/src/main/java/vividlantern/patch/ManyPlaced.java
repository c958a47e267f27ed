package vividlantern.patch;

import java.util.List;
import vividlantern.session.edit.Edit;

/**
 * What placing many one after the other comes to.
 *
 * @param edits the edits that place what finds its place; of ports, what finds none lets go of one that another got
 * @param placed how many find their place
 * @param left what finds none, in a sentence; "" if all do
 */
public record ManyPlaced(List<Edit> edits, int placed, String left) {

    static ManyPlaced of(List<Edit> edits, int placed, int selected, String start, String what) {
        String left = placed == selected
                ? ""
                : "From " + start + " on there are free ports for " + placed + " of " + selected + " " + what
                        + ". The last "
                        + (selected - placed == 1 ? "one finds none." : selected - placed + " find none.");
        return new ManyPlaced(edits, placed, left);
    }
}
