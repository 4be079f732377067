package nelvar.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.Set;
import javax.xml.parsers.DocumentBuilderFactory;
import nelvar.core.file.Demo;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Element;

class GraphMlTest {
  /// Read by a parser that knows nothing of the program: every wire between its two terminals.
  @Test
  void readBackItHasEveryWire() throws Exception {
    var project = Demo.planted();
    var text = GraphMl.write(project);
    var factory = DocumentBuilderFactory.newInstance();
    factory.setNamespaceAware(true);
    var xml =
        factory
            .newDocumentBuilder()
            .parse(new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8)));
    assertThat(xml.getDocumentElement().getNamespaceURI())
        .isEqualTo("http://graphml.graphdrawing.org/xmlns");
    var nodes = ids(xml.getElementsByTagName("node"));
    var edges = xml.getElementsByTagName("edge");
    Set<String> read = new HashSet<>();
    for (var i = 0; i < edges.getLength(); i++) {
      var edge = (Element) edges.item(i);
      assertThat(nodes).contains(edge.getAttribute("source"), edge.getAttribute("target"));
      read.add(
          edge.getAttribute("id")
              + " "
              + edge.getAttribute("source")
              + " "
              + edge.getAttribute("target"));
    }
    Set<String> wires = new HashSet<>();
    for (var wire : project.conductors())
      wires.add(wire.id() + " " + wire.from() + " " + wire.to());
    assertThat(read).isEqualTo(wires);
    assertThat(text)
        .contains("<data key=\"section\">0.34 mm²</data>")
        .isEqualTo(GraphMl.write(project));
  }

  private static Set<String> ids(org.w3c.dom.NodeList list) {
    var all = new HashSet<String>();
    for (var i = 0; i < list.getLength(); i++) all.add(((Element) list.item(i)).getAttribute("id"));
    return all;
  }
}
