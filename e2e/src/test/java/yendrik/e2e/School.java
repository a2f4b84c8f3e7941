package yendrik.e2e;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.ColorScheme;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import yendrik.server.YendrikServer;
import yendrik.server.demo.DemoClock;
import yendrik.standins.checker.Checker;
import yendrik.standins.films.FilmHost;
import yendrik.standins.keepsake.Keepsake;
import yendrik.standins.mailroom.Mailroom;

/** The whole of Yendrik with the demo school and a mailroom, and a real browser before it. */
final class School implements AutoCloseable {
  private static final List<String> ARGUMENTS =
      List.of(
          "--no-sandbox",
          "--disable-gpu",
          "--disable-quic",
          "--disable-background-networking",
          "--disable-component-update",
          "--disable-sync",
          "--no-first-run",
          "--use-fake-device-for-media-stream",
          "--use-fake-ui-for-media-stream");

  /** A Monday afternoon: nothing depends on the day on which the tests run. */
  private static final Instant TODAY = Instant.parse("2026-11-23T15:30:00Z");

  /** Puts the browser's clock to that of the school; timers run as ever. */
  private static final String SET_CLOCK =
      """
      (() => {
        const ahead = %d;
        const Machine = Date;
        window.Date = class extends Machine {
          constructor(...given) {
            if (given.length === 0) super(Machine.now() + ahead);
            else super(...given);
          }
          static now() {
            return Machine.now() + ahead;
          }
        };
      })();
      """;

  /** Busy machines render slowly; an answer that never comes is still a failure. */
  private static final int PATIENCE_MILLIS = 20_000;

  final Mailroom mailroom;
  private final ConfigurableApplicationContext server;
  private final Playwright playwright;
  private final Browser browser;
  final String address;
  private final Instant began = Instant.now();

  /** The last page of each person, and what all pages wrote to the console, for a failure. */
  private final Map<String, Page> pages = new ConcurrentHashMap<>();

  private final List<String> said = new CopyOnWriteArrayList<>();

  School() {
    PlaywrightAssertions.setDefaultAssertionTimeout(PATIENCE_MILLIS);
    try {
      int smtp = freePort();
      mailroom = new Mailroom(smtp, 0);
      int port = freePort();
      address = "http://127.0.0.1:" + port;
      keepsake = new Keepsake(Path.of("../standins/keepsake"), 0, "-", address);
      server = start(port, smtp, keepsake.address());
    } catch (IOException | SQLException e) {
      throw new IllegalStateException(e);
    }
    playwright =
        Playwright.create(
            new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    browser =
        playwright
            .chromium()
            .launch(
                new BrowserType.LaunchOptions().setExecutablePath(chromium()).setArgs(ARGUMENTS));
  }

  /** A host of films elsewhere that the school allows. */
  static final FilmHost FILMS_ELSEWHERE = filmHost();

  /** A wallet to which the school sends badges. */
  final Keepsake keepsake;

  private static FilmHost filmHost() {
    try {
      return new FilmHost(0);
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
  }

  private static ConfigurableApplicationContext start(int port, int smtp, String wallet)
      throws SQLException, IOException {
    String server = "jdbc:postgresql://127.0.0.1:" + System.getProperty("yendrik.db.port") + "/";
    String name = "yendrik_e2e_" + ProcessHandle.current().pid();
    try (var connection = DriverManager.getConnection(server + "postgres", "yendrik", "yendrik");
        var statement = connection.createStatement()) {
      statement.execute("drop database if exists " + name + " with (force)");
      statement.execute("create database " + name + " owner yendrik_owner");
    }
    var application = new SpringApplication(YendrikServer.class);
    return application.run(
        "--server.port=" + port,
        "--spring.datasource.url=" + server + name,
        "--spring.datasource.password=yendrik",
        "--spring.flyway.password=yendrik",
        "--spring.mail.port=" + smtp,
        "--yendrik.files=" + java.nio.file.Files.createTempDirectory("yendrik-files-"),
        "--yendrik.checker=127.0.0.1:" + new Checker(0).port(),
        "--yendrik.film-hosts=" + FILMS_ELSEWHERE.address(),
        "--yendrik.address=http://127.0.0.1:" + port,
        "--yendrik.wallets=keepsake=" + wallet,
        "--yendrik.demo=true",
        "--yendrik.demo.today=" + TODAY,
        "--logging.level.yendrik=warn");
  }

  private static int freePort() throws IOException {
    try (var socket = new ServerSocket(0)) {
      return socket.getLocalPort();
    }
  }

  private static Path chromium() {
    for (String folder : System.getenv("PATH").split(":"))
      if (Files.isExecutable(Path.of(folder, "chromium"))) return Path.of(folder, "chromium");
    throw new IllegalStateException("chromium is not installed; ./yendrik test installs it");
  }

  /** What this person may ask of the server without a page. */
  Api as(String firstName) {
    return new Api(playwright.request(), address, firstName);
  }

  /** A course of a test's own, with Odalys as its designer and Tomas as its facilitator. */
  Course course(String name) {
    return new Course(this, name);
  }

  /** A part of the server. */
  <T> T part(Class<T> type) {
    return server.getBean(type);
  }

  /** Does something as if some days ago. */
  void daysAgo(int days, Runnable what) {
    var clock = part(DemoClock.class);
    clock.putTo(TODAY.minus(Duration.ofDays(days)));
    try {
      what.run();
    } finally {
      clock.run();
    }
  }

  /** A page on which this person of the demo is signed in, 1280 by 800. */
  Page signedIn(String firstName) {
    return signedIn(firstName, 1280, ColorScheme.LIGHT);
  }

  Page signedIn(String firstName, int width, ColorScheme scheme) {
    BrowserContext context =
        browser.newContext(
            new Browser.NewContextOptions()
                .setViewportSize(width, 800)
                .setColorScheme(scheme)
                .setTimezoneId("Europe/Berlin"));
    context.addInitScript(SET_CLOCK.formatted(Duration.between(began, TODAY).toMillis()));
    Page page = context.newPage();
    page.onConsoleMessage(m -> said.add(firstName + ": " + m.type() + " " + m.text()));
    pages.put(firstName, page);
    page.setDefaultTimeout(PATIENCE_MILLIS);
    page.navigate(address);
    page.getByLabel("E-mail address").fill(firstName + "@hollowlane.example");
    page.getByLabel("Password").fill("hollow-lane");
    page.getByText("Sign in", new Page.GetByTextOptions().setExact(true)).click();
    page.locator("header").waitFor();
    return page;
  }

  /** Keeps what every open page showed when a test failed, in target/failures. */
  void keepPictures(String test) {
    try {
      Path folder = Files.createDirectories(Path.of("target", "failures", test));
      Files.write(folder.resolve("console.txt"), said);
      pages.forEach((name, page) -> {
        if (!page.isClosed())
          page.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve(name + ".png")));
      });
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  @Override
  public void close() {
    browser.close();
    playwright.close();
    server.close();
    mailroom.close();
    keepsake.close();
  }
}
