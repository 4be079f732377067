package nelvar.desktop.app;

import java.nio.file.Path;
import java.util.Optional;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import javafx.stage.Window;

/// Asks for a place on disk. Tests answer in its stead.
public interface Picker {
  Optional<Path> open(Window owner);

  Optional<Path> save(Window owner, String suggestion);

  Optional<Path> folder(Window owner);

  Optional<Path> csv(Window owner);

  Optional<Path> dxf(Window owner);

  Picker NATIVE =
      new Picker() {
        private static FileChooser chooser(String title, String kind, String pattern) {
          var chooser = new FileChooser();
          chooser.setTitle(title);
          chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter(kind, pattern));
          return chooser;
        }

        @Override
        public Optional<Path> open(Window owner) {
          return Optional.ofNullable(
                  chooser("Open a project", "Nelvar projects", "*.nelvar.json")
                      .showOpenDialog(owner))
              .map(java.io.File::toPath);
        }

        @Override
        public Optional<Path> save(Window owner, String suggestion) {
          var chooser = chooser("Save the project", "Nelvar projects", "*.nelvar.json");
          chooser.setInitialFileName(suggestion);
          return Optional.ofNullable(chooser.showSaveDialog(owner))
              .map(java.io.File::toPath)
              .map(path ->
                  path.toString().endsWith(".nelvar.json")
                      ? path
                      : path.resolveSibling(path.getFileName() + ".nelvar.json"));
        }

        @Override
        public Optional<Path> folder(Window owner) {
          var chooser = new DirectoryChooser();
          chooser.setTitle("Folder for the pack");
          return Optional.ofNullable(chooser.showDialog(owner)).map(java.io.File::toPath);
        }

        @Override
        public Optional<Path> dxf(Window owner) {
          return Optional.ofNullable(
                  chooser("Background of the plate from DXF", "DXF", "*.dxf").showOpenDialog(owner))
              .map(java.io.File::toPath);
        }

        @Override
        public Optional<Path> csv(Window owner) {
          return Optional.ofNullable(
                  chooser("Parts from CSV", "CSV", "*.csv").showOpenDialog(owner))
              .map(java.io.File::toPath);
        }
      };
}
