package yendrik.standins.mailroom;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.List;

/**
 * A simulated mail server: takes every letter by SMTP (RFC 5321) on loopback, keeps it in memory
 * and shows all of them on one page. For the demo and for tests.
 */
public final class Mailroom implements AutoCloseable {
  private final GreenMail mail;
  private final HttpServer web;

  /** Starts on these ports of 127.0.0.1; 0 chooses a free one for the page. */
  public Mailroom(int smtpPort, int webPort) throws IOException {
    mail = new GreenMail(new ServerSetup(smtpPort, "127.0.0.1", ServerSetup.PROTOCOL_SMTP));
    mail.getUserManager().setAuthRequired(false);
    mail.start();
    web = HttpServer.create(new InetSocketAddress("127.0.0.1", webPort), 0);
    web.createContext("/", this::answer);
    web.start();
  }

  /** Where the page is. */
  public String address() {
    return "http://127.0.0.1:" + web.getAddress().getPort();
  }

  /** All letters, newest first. */
  public List<Letter> letters() {
    return List.of(mail.getReceivedMessages()).stream().map(Letter::of).toList().reversed();
  }

  private void answer(HttpExchange exchange) throws IOException {
    boolean root = exchange.getRequestURI().getPath().equals("/");
    byte[] page = (root ? Page.of(letters()) : "Nothing here").getBytes(StandardCharsets.UTF_8);
    exchange.getResponseHeaders().set("Content-Type", "text/html; charset=utf-8");
    exchange
        .getResponseHeaders()
        .set("Content-Security-Policy", "default-src 'none'; style-src 'unsafe-inline'");
    exchange.sendResponseHeaders(root ? 200 : 404, page.length);
    exchange.getResponseBody().write(page);
    exchange.close();
  }

  @Override
  public void close() {
    web.stop(0);
    mail.stop();
  }
}
