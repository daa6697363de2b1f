package kilnryu.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.mock.web.MockFilterChain;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.util.unit.DataSize;

/** Room on the disk: what is taken in while there is little of it, and what is said. */
class RoomTest {
    @TempDir
    Path data;

    private Room keeping(double shareOfFree) throws IOException {
        long free = Files.getFileStore(data).getUsableSpace();
        return new Room(data, DataSize.ofBytes((long) (free * shareOfFree)));
    }

    private static int status(Room room, String method, String address, int bytes) throws Exception {
        MockHttpServletRequest request = new MockHttpServletRequest(method, address);
        request.setContent(new byte[bytes]);
        MockHttpServletResponse response = new MockHttpServletResponse();
        new NoRoom(room).doFilter(request, response, new MockFilterChain());
        return response.getStatus();
    }

    @Test
    void withRoomEverythingIsTakenIn() throws Exception {
        Room room = keeping(0.01);
        assertThat(room.isFull()).isFalse();
        assertThat(room.warning()).isEmpty();
        assertThat(status(room, "POST", "/trees/0/tree", 1000)).isEqualTo(200);
    }

    /** Under four reserves it is said; things are still taken in. */
    @Test
    void toldWhileThereIsTime() throws Exception {
        Room room = keeping(0.5);
        assertThat(room.warning()).startsWith("The disk is filling up: ").contains("MB are left");
        assertThat(status(room, "POST", "/trees/0/tree", 1000)).isEqualTo(200);
    }

    /** Under the reserve what is there is read, questions are answered, people sign in; nothing is written. */
    @Test
    void underTheReserveNothingIsWritten() throws Exception {
        Room room = keeping(1.5);
        assertThat(room.isFull()).isTrue();
        assertThat(room.warning()).startsWith("The disk is full: ");
        assertThat(status(room, "POST", "/trees/0/tree", 10)).isEqualTo(507);
        assertThat(status(room, "POST", "/shells/1/dip", 10)).isEqualTo(507);
        assertThat(status(room, "POST", "/login", 10)).isEqualTo(200);
        assertThat(status(room, "POST", "/logout", 10)).isEqualTo(200);
        assertThat(status(room, "POST", "/api/compute/tree", 10)).isEqualTo(200);
        assertThat(status(room, "GET", "/trees", 0)).isEqualTo(200);
        assertThat(status(room, "HEAD", "/trees", 0)).isEqualTo(200);
    }

    /** A file needs its room three times: on its way in, in the database, in the database's log. */
    @Test
    void aFileThatDoesNotFit() throws Exception {
        long free = Files.getFileStore(data).getUsableSpace();
        Room room = keeping(0.1);
        assertThat(room.fits((long) (free * 0.2))).isTrue();
        assertThat(room.fits((long) (free * 0.4))).isFalse();
        assertThat(room.fits(-1)).isTrue();
        assertThat(keeping(1.5).fits(0)).isFalse();
    }

    @Test
    void withoutADataFolderTheOneItRunsInCounts() {
        assertThat(new Room(data.resolve("nowhere"), DataSize.ofBytes(1)).isFull())
                .isFalse();
    }
}
