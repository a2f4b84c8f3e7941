package yendrik.server.http;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Map;

/**
 * Some fields of a thing: as somebody saw them, and as they are to be. A field that stands in one
 * of them only was nothing, or is to be nothing. Undoing is the same turned around.
 */
public record FieldsEdit(
    @NotNull @Size(max = 60) Map<String, Object> from,
    @NotNull @Size(max = 60) Map<String, Object> to) {}
