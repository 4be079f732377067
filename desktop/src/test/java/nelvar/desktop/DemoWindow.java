package nelvar.desktop;

import java.nio.file.Path;
import nelvar.desktop.session.Session;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;

/// The real window with the demo open.
abstract class DemoWindow {
  @TempDir Path state;
  Driver driver;

  @BeforeEach
  void openDemo() {
    driver = new Driver(state);
    driver.run(() -> driver.window.desk().openDemo());
  }

  @AfterEach
  void closeDemo() {
    driver.close();
  }

  Session session() {
    return driver.window.session().orElseThrow();
  }
}
