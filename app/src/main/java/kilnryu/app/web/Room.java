package kilnryu.app.web;

import java.io.IOException;
import java.nio.file.FileStore;
import java.nio.file.Files;
import java.nio.file.Path;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.util.unit.DataSize;

/**
 * Room on the disk where the data lie. A reserve is kept: under it nothing more is taken in, so that the database stays
 * alive and what was acknowledged is kept; well before, whoever uses it is told.
 */
@Component
public class Room {
    private static final Logger LOG = LoggerFactory.getLogger(Room.class);
    /** Told from so many reserves on. */
    private static final int EARLY = 4;

    private static final int COPIES = 3;

    private final Path data;
    private final long reserve;
    private volatile long free = Long.MAX_VALUE;

    Room(
            @Value("${kilnryu.disk.path:${KILN_RYU_HOME:.}}") Path data,
            @Value("${kilnryu.disk.reserve:${KILN_RYU_DISK_RESERVE:300MB}}") DataSize reserve) {
        this.data = data;
        this.reserve = reserve.toBytes();
        look();
    }

    @Scheduled(fixedDelay = 5_000)
    void look() {
        try {
            FileStore store = Files.getFileStore(Files.exists(data) ? data : Path.of("."));
            long now = store.getUsableSpace();
            if (now < reserve && free >= reserve) {
                LOG.error("the disk is nearly full: {} MB are left; nothing more is taken in", now / 1_000_000);
            }
            free = now;
        } catch (IOException e) {
            LOG.warn("the room on the disk cannot be told: {}", e.toString());
        }
    }

    /** Whether nothing more may be taken in. */
    public boolean isFull() {
        return free < reserve;
    }

    /** Whether so many bytes more fit above the reserve: on the way in, in the database, and in its log of changes. */
    boolean fits(long bytes) {
        return !isFull() && (bytes <= 0 || free - reserve > COPIES * bytes);
    }

    /** A word to the owner while there is still time, empty while there is room. */
    public String warning() {
        if (isFull()) {
            return "The disk is full: " + megabytes()
                    + " MB are left. Nothing more is taken in until there is room; all that" + " was saved is kept.";
        }
        return free < EARLY * reserve
                ? "The disk is filling up: " + megabytes() + " MB are left, and at " + reserve / 1_000_000
                        + " MB nothing more is taken in. Make room, or move old backups to another disk."
                : "";
    }

    private long megabytes() {
        return free / 1_000_000;
    }
}
