package vividlantern.kernel;

/** Which kernel this program can run. */
public final class Kernels {

    private Kernels() {}

    /** The one in vector instructions if the JVM was started with its module, else the one of plain loops. */
    public static MixKernel best() {
        boolean vectors = ModuleLayer.boot().findModule("jdk.incubator.vector").isPresent();
        return vectors ? new VectorKernel() : new PlainKernel();
    }
}
