package vividlantern.server.api;

import vividlantern.basics.Refused;

/** The bounds of a list's pages. */
final class Paging {

    private static final int LARGEST = 200;

    private Paging() {}

    static int page(int page) {
        if (page < 0 || page > 1_000_000) {
            throw new Refused("Pages are counted from 0.", "page");
        }
        return page;
    }

    static int size(int size) {
        if (size < 1 || size > LARGEST) {
            throw new Refused("A page holds 1 to " + LARGEST + " lines.", "size");
        }
        return size;
    }
}
