package yendrik.standins.checker;

import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;

/**
 * A simulated checker of files: takes a stream of chunks, each after its length in four bytes, and
 * finds the standard test file that every checker knows, wherever in the stream it stands. For the
 * demo and for tests.
 */
public final class Checker implements AutoCloseable {
  /** In two pieces, so that no real checker finds this class. */
  private static final byte[] TEST_FILE =
      ("X5O!P%@AP[4\\PZX54(P^)7CC)7}$EICAR-STANDARD-" + "ANTIVIRUS-TEST-FILE!$H+H*")
          .getBytes(StandardCharsets.US_ASCII);

  private static final String STREAM = "zINSTREAM\0";
  private static final int LARGEST_CHUNK = 1 << 24;
  private final ServerSocket door;

  /** Starts on this port of 127.0.0.1; 0 chooses a free one. */
  public Checker(int port) throws IOException {
    door = new ServerSocket(port, 50, InetAddress.getLoopbackAddress());
    Thread.ofVirtual().name("checker").start(this::serve);
  }

  public int port() {
    return door.getLocalPort();
  }

  private void serve() {
    while (!door.isClosed()) {
      try {
        Socket caller = door.accept();
        Thread.ofVirtual().start(() -> answer(caller));
      } catch (IOException e) {
        // closed
      }
    }
  }

  private static void answer(Socket caller) {
    try (caller) {
      var in = new DataInputStream(caller.getInputStream());
      String asked = new String(in.readNBytes(STREAM.length()), StandardCharsets.US_ASCII);
      String answer = asked.equals(STREAM) ? look(in) : "UNKNOWN COMMAND";
      caller.getOutputStream().write((answer + "\0").getBytes(StandardCharsets.US_ASCII));
      caller.getOutputStream().flush();
    } catch (IOException e) {
      // whoever asked has gone
    }
  }

  private static String look(DataInputStream in) throws IOException {
    int matched = 0;
    boolean found = false;
    for (int n = in.readInt(); n != 0; n = in.readInt()) {
      if (n < 0 || n > LARGEST_CHUNK) return "INSTREAM size limit exceeded. ERROR";
      byte[] chunk = in.readNBytes(n);
      if (chunk.length < n) throw new EOFException();
      for (byte b : chunk) {
        if (b == TEST_FILE[matched]) matched++;
        else matched = b == TEST_FILE[0] ? 1 : 0;
        if (matched < TEST_FILE.length) continue;
        found = true;
        matched = 0;
      }
    }
    return found ? "stream: Standard-Test-File FOUND" : "stream: OK";
  }

  @Override
  public void close() throws IOException {
    door.close();
  }
}
