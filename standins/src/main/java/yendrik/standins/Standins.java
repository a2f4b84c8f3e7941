package yendrik.standins;

import java.io.IOException;
import java.nio.file.Path;
import yendrik.standins.checker.Checker;
import yendrik.standins.films.FilmHost;
import yendrik.standins.keepsake.Keepsake;
import yendrik.standins.mailroom.Mailroom;

/** Starts all simulated services, each on the port that it is given. */
public final class Standins {
  private Standins() {}

  public static void main(String[] args) throws IOException {
    int smtp = Integer.parseInt(args[0]);
    int page = Integer.parseInt(args[1]);
    int files = Integer.parseInt(args[2]);
    new Mailroom(smtp, page);
    System.out.println("mailroom: SMTP on " + smtp + ", letters at http://127.0.0.1:" + page);
    new Checker(files);
    System.out.println("checker: files on " + files);
    FilmHost films = new FilmHost(Integer.parseInt(args[3]));
    System.out.println("films elsewhere: " + films.address());
    Keepsake keepsake = new Keepsake(Path.of(args[4]), Integer.parseInt(args[5]), args[6], args[7]);
    System.out.println("keepsake, a wallet: " + keepsake.address());
    // The mailroom's own threads keep it running.
  }
}
