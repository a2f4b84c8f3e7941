package yendrik.server.kinds.video;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;

/**
 * A film that lies elsewhere.
 *
 * @param seconds how long it is
 */
public record Elsewhere(
    @NotBlank @Size(max = 2000) String address, @Min(1) @Max(86_400) int seconds) {}
