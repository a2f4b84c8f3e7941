package yendrik.server.institution;

import java.util.Map;

/**
 * Who runs this installation.
 *
 * @param issuer of its badges and certificates, where a course does not say otherwise
 * @param colours of the theme by name, in place of those that ship
 * @param words sentences of the catalogue by key, in place of those that ship
 */
public record Institution(
    String name, String issuer, Map<String, String> colours, Map<String, String> words) {}
