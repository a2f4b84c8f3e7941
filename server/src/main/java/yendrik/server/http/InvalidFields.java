package yendrik.server.http;

import java.util.List;
import org.springframework.validation.FieldError;

/** Fields that break a constraint. */
public final class InvalidFields extends RuntimeException {
  private static final long serialVersionUID = 1;
  private final transient List<FieldError> errors;

  public InvalidFields(List<FieldError> errors) {
    super(errors.toString());
    this.errors = List.copyOf(errors);
  }

  List<FieldError> errors() {
    return errors;
  }
}
