package yendrik.server.http;

import jakarta.validation.Constraint;
import jakarta.validation.ConstraintValidator;
import jakarta.validation.ConstraintValidatorContext;
import jakarta.validation.Payload;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.jspecify.annotations.Nullable;
import yendrik.core.Plain;

/** A name or a code: without characters that cannot be seen. */
@Target({ElementType.FIELD, ElementType.PARAMETER, ElementType.TYPE_USE})
@Retention(RetentionPolicy.RUNTIME)
@Constraint(validatedBy = PlainText.Validator.class)
public @interface PlainText {
  /** A code of {@code valid.} */
  String message() default "plain";

  /** Asked for by the specification. */
  Class<?>[] groups() default {};

  /** Asked for by the specification. */
  Class<? extends Payload>[] payload() default {};

  /** Says whether a text is plain. */
  final class Validator implements ConstraintValidator<PlainText, String> {
    @Override
    public boolean isValid(@Nullable String text, ConstraintValidatorContext context) {
      return text == null || Plain.is(text);
    }
  }
}
