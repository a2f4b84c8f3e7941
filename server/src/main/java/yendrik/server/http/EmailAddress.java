package yendrik.server.http;

import jakarta.validation.Constraint;
import jakarta.validation.Payload;
import jakarta.validation.ReportAsSingleViolation;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.Size;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** An address that mail can be sent to. */
@Target({ElementType.FIELD, ElementType.PARAMETER, ElementType.TYPE_USE})
@Retention(RetentionPolicy.RUNTIME)
@Constraint(validatedBy = {})
@Email(regexp = "[!-~]+@[!-~]+")
@Size(max = EmailAddress.LONGEST)
@ReportAsSingleViolation
public @interface EmailAddress {
  /** As long as mail takes it (RFC 5321, 4.5.3.1.3). */
  int LONGEST = 254;

  /** A code of {@code valid.} */
  String message() default "Email";

  /** Asked for by the specification. */
  Class<?>[] groups() default {};

  /** Asked for by the specification. */
  Class<? extends Payload>[] payload() default {};
}
