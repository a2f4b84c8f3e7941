package yendrik.formats.credential;

import java.io.ByteArrayInputStream;
import java.util.ArrayList;
import java.util.List;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import yendrik.core.Refusal;
import yendrik.formats.credential.Baking.Baked;
import yendrik.formats.credential.Baking.Kind;

/** Finds credentials in an SVG; nothing else of it is looked at, and nothing is fetched. */
final class SvgReading {
  private SvgReading() {}

  static List<Baked> of(byte[] svg) {
    XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
    factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
    factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
    factory.setProperty(XMLInputFactory.IS_COALESCING, true);
    factory.setXMLResolver((_, _, _, _) -> {
      throw new XMLStreamException("nothing is fetched");
    });
    try {
      XMLStreamReader in = factory.createXMLStreamReader(new ByteArrayInputStream(svg));
      List<Baked> all = new ArrayList<>();
      while (in.hasNext()) {
        int event = in.next();
        if (event == XMLStreamConstants.DTD) throw new Refusal("svg-with-document-type");
        if (event == XMLStreamConstants.START_ELEMENT)
          for (Kind kind : Kind.values()) if (is(in, kind)) all.add(baked(in, kind));
      }
      return all;
    } catch (XMLStreamException e) {
      throw new Refusal("picture-broken");
    }
  }

  private static boolean is(XMLStreamReader in, Kind kind) {
    return in.isStartElement()
        && in.getLocalName().equals(Baking.elementOf(kind))
        && Baking.namespace(kind).equals(in.getNamespaceURI());
  }

  private static Baked baked(XMLStreamReader in, Kind kind) throws XMLStreamException {
    String verify = in.getAttributeValue(null, "verify");
    String within = in.getElementText().strip();
    return new Baked(kind, within.isEmpty() && verify != null ? verify : within);
  }
}
