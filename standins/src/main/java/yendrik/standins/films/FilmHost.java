package yendrik.standins.films;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A simulated host of films elsewhere: it hands out two films under addresses of its own, whole or
 * in ranges, and says on its page what they are called. For the demo and for tests.
 */
public final class FilmHost implements AutoCloseable {
  private static final List<String> FILMS = List.of("one-click.webm", "toe-in.webm");
  private static final Pattern RANGE = Pattern.compile("bytes=(\\d{1,9})-(\\d{0,9})");
  private final HttpServer server;

  /** Starts on this port of 127.0.0.1; 0 chooses a free one. */
  public FilmHost(int port) throws IOException {
    server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
    server.createContext("/", FilmHost::answer);
    server.setExecutor(Executors.newVirtualThreadPerTaskExecutor());
    server.start();
  }

  /** Where it is reached: {@code http://127.0.0.1:8433}. */
  public String address() {
    return "http://127.0.0.1:" + server.getAddress().getPort();
  }

  private static void answer(HttpExchange asked) throws IOException {
    try (asked) {
      String name = asked.getRequestURI().getPath().replaceFirst("^/films/", "");
      if (FILMS.contains(name)) film(asked, name);
      else if (name.equals("/")) page(asked);
      else asked.sendResponseHeaders(404, -1);
    }
  }

  private static void page(HttpExchange asked) throws IOException {
    var list = new StringBuilder("<!doctype html><title>Films elsewhere</title><ul>");
    for (String film : FILMS)
      list.append("<li><a href=\"/films/%1$s\">/films/%1$s</a>".formatted(film));
    byte[] page = list.append("</ul>").toString().getBytes(StandardCharsets.UTF_8);
    asked.getResponseHeaders().set("Content-Type", "text/html;charset=UTF-8");
    asked.sendResponseHeaders(200, page.length);
    asked.getResponseBody().write(page);
  }

  private static void film(HttpExchange asked, String name) throws IOException {
    byte[] all;
    try (InputStream in = FilmHost.class.getResourceAsStream("/films/" + name)) {
      all = in.readAllBytes();
    }
    asked.getResponseHeaders().set("Content-Type", "video/webm");
    asked.getResponseHeaders().set("Accept-Ranges", "bytes");
    String range = asked.getRequestHeaders().getFirst("Range");
    Matcher wanted = RANGE.matcher(range == null ? "" : range);
    int status = 200;
    byte[] sent = all;
    if (wanted.matches()) {
      int from = Integer.parseInt(wanted.group(1));
      int to = wanted.group(2).isEmpty() ? all.length - 1 : Integer.parseInt(wanted.group(2));
      if (from >= all.length || to < from) {
        asked.sendResponseHeaders(416, -1);
        return;
      }
      sent = Arrays.copyOfRange(all, from, Math.min(to + 1, all.length));
      asked
          .getResponseHeaders()
          .set(
              "Content-Range", "bytes " + from + "-" + (from + sent.length - 1) + "/" + all.length);
      status = 206;
    }
    if (asked.getRequestMethod().equals("HEAD")) asked.sendResponseHeaders(status, -1);
    else {
      asked.sendResponseHeaders(status, sent.length);
      asked.getResponseBody().write(sent);
    }
  }

  @Override
  public void close() {
    server.stop(0);
  }
}
