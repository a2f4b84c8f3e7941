package yendrik.standins.keepsake;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/**
 * A simulated wallet, an application of its own in Node. It keeps what it has in a file, and asks
 * nobody but the issuers that it trusts what they revoked.
 */
public final class Keepsake implements AutoCloseable {
  private final Process process;
  private final int port;

  /**
   * Starts it and waits until it answers.
   *
   * @param folder where it is
   * @param port of 127.0.0.1; 0 chooses a free one
   * @param file in which it keeps what it has; {@code -} to keep nothing
   * @param trusted addresses of issuers
   */
  public Keepsake(Path folder, int port, String file, String... trusted) throws IOException {
    this.port = port == 0 ? free() : port;
    List<String> command = new ArrayList<>(List.of("node", "server.mjs", "" + this.port, file));
    command.addAll(List.of(trusted));
    process =
        new ProcessBuilder(command).directory(folder.toFile()).redirectErrorStream(true).start();
    Runtime.getRuntime().addShutdownHook(new Thread(process::destroy));
    var said =
        new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
    String line;
    var all = new StringBuilder();
    while ((line = said.readLine()) != null) {
      if (line.startsWith("keepsake: ")) break;
      all.append(line).append('\n');
    }
    if (line == null) throw new IOException("keepsake did not start: " + all);
    // whatever it says later is passed on, so that it is never held up by a full pipe
    Thread.ofPlatform()
        .daemon()
        .name("keepsake")
        .start(() -> said.lines().forEach(System.out::println));
  }

  private static int free() throws IOException {
    try (var socket = new ServerSocket(0)) {
      return socket.getLocalPort();
    }
  }

  /** Where it is reached: {@code http://127.0.0.1:8434}. */
  public String address() {
    return "http://127.0.0.1:" + port;
  }

  @Override
  public void close() {
    process.destroy();
  }
}
