package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.jar.JarFile;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/// Licences and notices inside the libraries at run time are shipped, and NOTICE names the
/// libraries.
class LicencesTest {
  private static final Pattern RUN_TIME =
      Pattern.compile(
          "(commons-(?:codec|csv|io|logging)|fastexcel|fontbox|jackson-(?:annotations|core|databind)|jspecify|opczip|pdfbox|pdfbox-io|picocli|slf4j-(?:api|nop))-[0-9].*\\.jar");

  private static String squeezed(String text) {
    return text.replaceAll("\\s+", " ").strip();
  }

  @Test
  void everyLicenceInsideALibraryIsShipped() throws Exception {
    var shipped = new ArrayList<String>();
    try (var files = Files.list(Path.of("../licences"))) {
      for (var file : files.toList()) shipped.add(squeezed(Files.readString(file)));
    }
    var apache = squeezed(Files.readString(Path.of("../LICENSE"))).substring(0, 9000);
    var looked = 0;
    for (var entry : System.getProperty("java.class.path").split(File.pathSeparator)) {
      var path = Path.of(entry);
      if (!RUN_TIME.matcher(String.valueOf(path.getFileName())).matches()) continue;
      looked++;
      try (var jar = new JarFile(path.toFile())) {
        for (var inside : jar.stream().toList()) {
          if (inside.isDirectory()
              || !inside.getName().matches("META-INF/[^/]*(?i:licen|notice)[^/]*")) continue;
          var text =
              squeezed(
                  new String(jar.getInputStream(inside).readAllBytes(), StandardCharsets.UTF_8));
          if (text.length() < 11_500 && text.startsWith(apache.substring(0, 200))) continue;
          assertThat(shipped).as(path.getFileName() + ": " + inside.getName()).contains(text);
        }
      }
    }
    assertThat(looked).as("libraries").isGreaterThanOrEqualTo(14);
  }

  @Test
  void noticeNamesEveryLibrary() throws Exception {
    var notice = Files.readString(Path.of("../NOTICE")).toLowerCase(java.util.Locale.ROOT);
    assertThat(notice)
        .contains(
            List.of(
                "openjfx",
                "jackson",
                "pdfbox",
                "fontbox",
                "commons csv",
                "fastexcel",
                "opczip",
                "picocli",
                "jspecify",
                "slf4j",
                "fastdoubleparser",
                "schubfach",
                "liberation sans"));
  }
}
