package yendrik.server.http;

import java.util.Optional;
import java.util.regex.Pattern;
import org.springframework.core.convert.converter.Converter;
import org.springframework.core.convert.converter.ConverterFactory;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import yendrik.core.Refusal;
import yendrik.core.id.Id;

/** Reads ids in addresses: plain digits, and no others that somewhere stand for digits. */
@Component
public class Ids implements ConverterFactory<String, Id> {
  private static final Pattern PLAIN = Pattern.compile("[1-9][0-9]{0,17}");
  private final JsonMapper json;

  Ids(JsonMapper json) {
    this.json = json;
  }

  @Override
  public <T extends Id> Converter<String, T> getConverter(Class<T> type) {
    return text -> read(text, type).orElseThrow(() -> new Refusal("no-id"));
  }

  /** The id that a text says, if it is one. */
  public <T extends Id> Optional<T> read(String text, Class<T> type) {
    return PLAIN.matcher(text).matches()
        ? Optional.of(json.convertValue(Long.parseLong(text), type))
        : Optional.empty();
  }
}
