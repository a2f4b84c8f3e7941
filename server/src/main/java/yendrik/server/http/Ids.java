package yendrik.server.http;

import org.springframework.core.convert.converter.Converter;
import org.springframework.core.convert.converter.ConverterFactory;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yendrik.core.Refusal;
import yendrik.core.id.Id;

/** Reads ids in addresses. */
@Component
class Ids implements ConverterFactory<String, Id> {
  private final JsonMapper json;

  Ids(JsonMapper json) {
    this.json = json;
  }

  @Override
  public <T extends Id> Converter<String, T> getConverter(Class<T> type) {
    return text -> {
      JsonNode read = json.readTree(text);
      if (!read.isIntegralNumber()) throw new Refusal("no-id");
      return json.convertValue(read, type);
    };
  }
}
