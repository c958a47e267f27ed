package vividlantern.server.desk;

/** Something was asked for that is not there. */
public final class NotFound extends RuntimeException {

    private static final long serialVersionUID = 1L;

    public NotFound(String reason) {
        super(reason);
    }
}
