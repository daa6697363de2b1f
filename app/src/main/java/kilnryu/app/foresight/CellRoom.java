package kilnryu.app.foresight;

import java.util.Locale;
import java.util.concurrent.CancellationException;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import kilnryu.core.kiln.Watch;

/** How many cells this machine's memory bears, and that many are never reckoned twice at once. */
public final class CellRoom {
    /** As measured: what filling, freezing and pools hold of each cell. */
    private static final int BYTES_EACH = 125;

    private static final double SHARE = 0.4;
    private static final int FEW = 400_000;
    private static final long LOOKS_MS = 250;
    private static final Semaphore ONE = new Semaphore(1);

    private CellRoom() {}

    /** The most cells that may be asked for. */
    public static int most() {
        return most(Runtime.getRuntime().maxMemory());
    }

    static int most(long memory) {
        return (int) Math.min(8_000_000, memory * SHARE / BYTES_EACH);
    }

    /** Why so many cells are too many, in words. */
    public static String tooMany() {
        return String.format(Locale.ROOT, "This machine's memory bears %,d cells at most; ask for fewer.", most());
    }

    /** Reckons; many cells wait until no others of that kind are reckoned, and can be stopped while they wait. */
    public static <A> A alone(int cells, Watch watch, Supplier<A> reckons) {
        if (cells <= FEW) {
            return reckons.get();
        }
        try {
            while (!ONE.tryAcquire(LOOKS_MS, TimeUnit.MILLISECONDS)) {
                watch.at(0);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CancellationException("interrupted");
        }
        try {
            return reckons.get();
        } finally {
            ONE.release();
        }
    }
}
