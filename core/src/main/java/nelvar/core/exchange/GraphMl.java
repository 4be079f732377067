package nelvar.core.exchange;

import java.io.StringWriter;
import java.util.Map;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;

/// The wires of a project as a graph in GraphML 1.0, for any program that reads graphs: one node a
/// terminal that something lands on, one edge a wire.
///
/// Data of nodes: `device`, `purpose`, `terminal`. Data of edges: `number`, `function`, `section`,
/// `colour`, `cable`; what is not known is left out.
public final class GraphMl {
  private static final String SPACE = "http://graphml.graphdrawing.org/xmlns";

  /// Key, and what it belongs to.
  private static final Map<String, String> KEYS =
      new java.util.TreeMap<>(
          Map.of(
              "device", "node",
              "purpose", "node",
              "terminal", "node",
              "number", "edge",
              "function", "edge",
              "section", "edge",
              "colour", "edge",
              "cable", "edge"));

  private final XMLStreamWriter xml;

  private GraphMl(XMLStreamWriter xml) {
    this.xml = xml;
  }

  public static String write(Project project) {
    var out = new StringWriter();
    try {
      var graph = new GraphMl(XMLOutputFactory.newInstance().createXMLStreamWriter(out));
      graph.all(project);
    } catch (XMLStreamException e) {
      throw new IllegalStateException("a graph in memory cannot be written", e);
    }
    return out.toString();
  }

  private void all(Project project) throws XMLStreamException {
    xml.writeStartDocument("UTF-8", "1.0");
    line();
    xml.writeStartElement("graphml");
    xml.writeDefaultNamespace(SPACE);
    line();
    for (var key : KEYS.entrySet()) {
      xml.writeEmptyElement("key");
      xml.writeAttribute("id", key.getKey());
      xml.writeAttribute("for", key.getValue());
      xml.writeAttribute("attr.name", key.getKey());
      xml.writeAttribute("attr.type", "string");
      line();
    }
    xml.writeStartElement("graph");
    xml.writeAttribute("edgedefault", "undirected");
    line();
    nodes(project);
    edges(project);
    xml.writeEndElement();
    line();
    xml.writeEndElement();
    line();
    xml.writeEndDocument();
  }

  private void nodes(Project project) throws XMLStreamException {
    var ends = new java.util.LinkedHashSet<TerminalRef>();
    for (var wire : project.conductors()) {
      ends.add(wire.from());
      ends.add(wire.to());
    }
    for (var end : ends) {
      xml.writeStartElement("node");
      xml.writeAttribute("id", end.toString());
      var device = project.device(end.device());
      if (device.isPresent()) {
        data("device", device.get().designation().text());
        data("purpose", device.get().purpose());
      }
      data("terminal", end.terminal());
      xml.writeEndElement();
      line();
    }
  }

  private void edges(Project project) throws XMLStreamException {
    for (var wire : project.conductors()) {
      xml.writeStartElement("edge");
      xml.writeAttribute("id", wire.id().text());
      xml.writeAttribute("source", wire.from().toString());
      xml.writeAttribute("target", wire.to().toString());
      data("number", wire.label().text());
      data("function", wire.function().words());
      if (wire.section().isPresent()) data("section", wire.section().get().toString());
      if (wire.colour().isPresent()) data("colour", wire.colour().get());
      var cable = wire.cable().flatMap(project::cable);
      if (cable.isPresent()) data("cable", cable.get().label().text());
      xml.writeEndElement();
      line();
    }
  }

  private void data(String key, String value) throws XMLStreamException {
    if (value.isEmpty()) return;
    xml.writeStartElement("data");
    xml.writeAttribute("key", key);
    xml.writeCharacters(value);
    xml.writeEndElement();
  }

  private void line() throws XMLStreamException {
    xml.writeCharacters("\n");
  }
}
