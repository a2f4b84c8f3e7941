package yendrik.standins.mailroom;

import jakarta.mail.Message;
import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Optional;

/** A letter as it came in. */
public record Letter(String from, String to, String replyTo, String subject, String body) {

  static Letter of(MimeMessage message) {
    try {
      return new Letter(
          first(message.getFrom()),
          first(message.getRecipients(Message.RecipientType.TO)),
          first(message.getReplyTo()),
          Optional.ofNullable(message.getSubject()).orElse(""),
          String.valueOf(message.getContent()).replace("\r\n", "\n").stripTrailing());
    } catch (MessagingException e) {
      throw new IllegalStateException(e);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static String first(Object @org.jspecify.annotations.Nullable [] addresses) {
    return addresses == null || addresses.length == 0 ? "" : addresses[0].toString();
  }
}
