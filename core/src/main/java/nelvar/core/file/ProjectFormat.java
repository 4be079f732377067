package nelvar.core.file;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Brief;
import nelvar.core.model.Bundle;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Deviation;
import nelvar.core.model.Device;
import nelvar.core.model.Drawn;
import nelvar.core.model.Id;
import nelvar.core.model.Layout;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.MachinePlace;
import nelvar.core.model.Measured;
import nelvar.core.model.OperatingState;
import nelvar.core.model.Operation;
import nelvar.core.model.Owned;
import nelvar.core.model.Placement;
import nelvar.core.model.Plan;
import nelvar.core.model.Project;
import nelvar.core.model.Records;
import nelvar.core.model.Revision;
import nelvar.core.model.Setting;
import nelvar.core.model.Standing;
import nelvar.core.model.Wiring;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonToken;
import tools.jackson.core.util.DefaultPrettyPrinter;
import tools.jackson.core.util.Separators;

/// The text of a project file, both ways. One thing a line, in the project's own order, so that two
/// versions compare well.
///
/// Reading accepts every format there was, through [Migration], and refuses a newer one. See
/// docs/format/project-2.schema.json; format 1 is frozen.
public final class ProjectFormat {
  /// The format this program writes.
  public static final int FORMAT = 2;

  private record Document(
      int format,
      String name,
      String description,
      List<Revision> revisions,
      Brief brief,
      List<MachineFunction> functions,
      List<Device> devices,
      List<Bundle> bundles,
      List<Cable> cables,
      List<Conductor> conductors,
      List<Setting> settings,
      List<Deviation> deviations,
      List<Part> ownParts,
      List<Id> fixed,
      List<OperatingState> states,
      List<Standing.Mark> marks,
      List<MachinePlace> places,
      List<Owned> stock,
      List<Cabinet> cabinets,
      List<Placement> placements,
      List<Measured> measures,
      List<Drawn> drawn) {
    Project project() {
      return new Project(
          name,
          description,
          brief,
          new Plan(functions, marks, places),
          new Wiring(devices, cables, conductors, ownParts, fixed),
          new Layout(bundles, cabinets, placements, measures, List.of(), drawn),
          new Operation(settings, states),
          new Records(revisions, deviations, stock));
    }
  }

  private ProjectFormat() {}

  /// @param file its name, for messages
  public static Project read(String file, byte[] bytes, Catalogue catalogue) throws UnreadableFile {
    if (bytes.length > NelvarJson.GREATEST_FILE) throw tooLarge(file, bytes.length);
    if (bytes.length == 0)
      throw new UnreadableFile(
          file,
          Optional.empty(),
          "the file is empty",
          "Open the version saved before it (the same name ending in .previous).");
    try {
      var format = requireFormat(file, bytes);
      var project = document(bytes, format).project();
      BreachPlace.refuse(file, project, catalogue.with(project.ownParts()), bytes);
      return project;
    } catch (JacksonException e) {
      throw Problems.of(file, e);
    } catch (StackOverflowError e) {
      throw new UnreadableFile(
          file,
          Optional.empty(),
          "the file is nested too deeply to be a project",
          "Open the version saved before it (.previous).");
    }
  }

  static UnreadableFile tooLarge(String file, long size) {
    return new UnreadableFile(
        file,
        Optional.empty(),
        "the file has %d MB; a project has at most %d MB"
            .formatted(size >> 20, NelvarJson.GREATEST_FILE >> 20),
        "Choose a project file (*.nelvar.json). The file was left as it is.");
  }

  /// An older file is brought up to date as a tree; places in messages are those of its text.
  private static Document document(byte[] bytes, int format) {
    if (!Migration.moves(format)) return NelvarJson.mapper().readValue(bytes, Document.class);
    return NelvarJson.mapper()
        .treeToValue(
            Migration.toNewest(NelvarJson.mapper().readTree(bytes), format), Document.class);
  }

  private static int requireFormat(String file, byte[] bytes) throws UnreadableFile {
    try (var in = NelvarJson.mapper().createParser(bytes)) {
      if (in.nextToken() != JsonToken.START_OBJECT) {
        throw new UnreadableFile(
            file,
            Optional.of(new UnreadableFile.Place(1, 1, "")),
            "this is not a Nelvar project: it does not begin with {",
            "Choose a project file (*.nelvar.json). The file was left as it is.");
      }
      for (var name = in.nextName(); name != null; name = in.nextName()) {
        var value = in.nextToken();
        if (name.equals("format")) {
          if (value != JsonToken.VALUE_NUMBER_INT) break;
          var format = in.getLongValue();
          var place =
              new UnreadableFile.Place(
                  in.currentTokenLocation().getLineNr(),
                  in.currentTokenLocation().getColumnNr(),
                  "format");
          if (format > FORMAT) {
            throw new UnreadableFile(
                file,
                Optional.of(place),
                "the file has format %d, written by a newer Nelvar; this one reads up to %d"
                    .formatted(format, FORMAT),
                "Open it with the newer program. The file was left as it is.");
          }
          if (format < 1)
            throw new UnreadableFile(
                file,
                Optional.of(place),
                "there is no format " + format,
                "Formats begin with 1. The file was left as it is.");
          return (int) format;
        }
        in.skipChildren();
      }
    }
    throw new UnreadableFile(
        file,
        Optional.empty(),
        "this is not a Nelvar project: it has no \"format\" number",
        "Choose a project file (*.nelvar.json). The file was left as it is.");
  }

  public static byte[] write(Project project) {
    var out = new ByteArrayOutputStream();
    var text = new StringBuilder("{\n");
    member(text, "format", FORMAT);
    member(text, "name", project.name());
    member(text, "description", project.description());
    list(text, "revisions", project.revisions());
    text.append("  \"brief\": {\n");
    text.append("    \"supply\": ").append(line(project.brief().supply())).append(",\n");
    text.append("    \"surroundings\": ")
        .append(line(project.brief().surroundings()))
        .append(",\n");
    text.append("    \"policies\": ").append(line(project.brief().policies())).append("\n  },\n");
    list(text, "functions", project.functions());
    list(text, "devices", project.devices());
    list(text, "bundles", project.bundles());
    list(text, "cables", project.cables());
    list(text, "conductors", project.conductors());
    list(text, "settings", project.settings());
    list(text, "deviations", project.deviations());
    list(text, "ownParts", project.ownParts());
    list(text, "fixed", project.fixed());
    list(text, "states", project.states());
    list(text, "marks", project.plan().marks());
    list(text, "places", project.plan().places());
    list(text, "stock", project.records().stock());
    list(text, "cabinets", project.layout().cabinets());
    list(text, "placements", project.layout().placements());
    list(text, "measures", project.layout().measures());
    list(text, "drawn", project.layout().drawn());
    text.setLength(text.length() - 2);
    text.append("\n}\n");
    out.writeBytes(text.toString().getBytes(StandardCharsets.UTF_8));
    return out.toByteArray();
  }

  private static void member(StringBuilder text, String name, Object value) {
    text.append("  \"").append(name).append("\": ").append(line(value)).append(",\n");
  }

  private static void list(StringBuilder text, String name, List<?> items) {
    if (items.isEmpty()) return;
    text.append("  \"").append(name).append("\": [\n");
    for (var i = 0; i < items.size(); i++) {
      text.append("    ").append(line(items.get(i))).append(i + 1 < items.size() ? ",\n" : "\n");
    }
    text.append("  ],\n");
  }

  private static final DefaultPrettyPrinter ONE_LINE =
      new DefaultPrettyPrinter(
              Separators.createDefaultInstance()
                  .withObjectNameValueSpacing(Separators.Spacing.AFTER)
                  .withObjectEntrySpacing(Separators.Spacing.AFTER)
                  .withArrayElementSpacing(Separators.Spacing.AFTER))
          .withObjectIndenter(new DefaultPrettyPrinter.NopIndenter())
          .withArrayIndenter(new DefaultPrettyPrinter.NopIndenter());

  private static String line(Object value) {
    // Parts need their declared type to write their kind.
    var writer =
        value instanceof Part
            ? NelvarJson.mapper().writerFor(Part.class)
            : NelvarJson.mapper().writer();
    return writer.with(ONE_LINE).writeValueAsString(value);
  }
}
