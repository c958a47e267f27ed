package vividlantern.basics;

/** How far something has come that takes a while, and whether it is still wanted. One thread works at it, others may ask and cancel. */
public final class Progress {

    private volatile double share;
    private volatile boolean cancelled;

    /**
     * Says that so much of it is done.
     *
     * @param done from 0 to 1
     * @throws Refused if it was cancelled meanwhile
     */
    public void at(double done) {
        if (cancelled) {
            throw new Refused("It was cancelled.", "");
        }
        share = done;
    }

    /** How much is done, from 0 to 1. */
    public double share() {
        return share;
    }

    /** Ends it at its next step. */
    public void cancel() {
        cancelled = true;
    }
}
