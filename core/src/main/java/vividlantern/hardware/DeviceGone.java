package vividlantern.hardware;

/** The device does not run, or ran and stopped: pulled out, switched off, taken by another program. Its message says so. */
public final class DeviceGone extends RuntimeException {

    private static final long serialVersionUID = 1L;

    public DeviceGone(String message) {
        super(message);
    }
}
