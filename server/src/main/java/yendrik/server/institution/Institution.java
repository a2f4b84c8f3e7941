package yendrik.server.institution;

import java.util.Map;
import java.util.Optional;
import yendrik.core.look.Look;

/**
 * Who runs this installation.
 *
 * @param issuer of its badges and certificates, where a course does not say otherwise
 * @param issuerAddress on the web, of whom issues; empty for where this runs
 * @param issuerEmail where it can be asked about badges; empty where that is not told
 * @param colours its own, by what they are for: {@code #a02750}
 * @param words sentences of the catalogue by key, in place of those that ship
 * @param picture the hash of what stands beside its name, by which it is asked for
 */
public record Institution(
    String name,
    String issuer,
    String issuerAddress,
    String issuerEmail,
    Map<Look.Place, String> colours,
    Map<String, String> words,
    Optional<String> picture) {}
