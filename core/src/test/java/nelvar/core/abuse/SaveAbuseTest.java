package nelvar.core.abuse;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doAnswer;
import static org.mockito.Mockito.spy;

import java.io.IOException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Disk;
import nelvar.core.file.Journal;
import nelvar.core.file.OutputFiles;
import nelvar.core.file.ProjectFile;
import nelvar.core.file.ProjectFormat;
import nelvar.core.model.Project;
import nelvar.core.sample.GeneratedPanel;
import nelvar.core.sample.NewProject;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// Programs killed while they save, disks that fill up at any byte, windows that save across one
/// another.
class SaveAbuseTest {
  @TempDir Path folder;

  /// Another program that saves one project after another until it is killed.
  static final class Saver {
    public static void main(String[] arguments) throws Exception {
      var file = ProjectFile.at(Path.of(arguments[0]));
      var panel = GeneratedPanel.of(40, 7);
      System.out.println("saving");
      for (var i = 0; ; i++) file.replace(panel.withName("version " + i));
    }
  }

  @Test
  void aProgramKilledWhileSavingLosesNothing() throws Exception {
    var abuse = Abuse.of("kills while saving", 3);
    var path = folder.resolve("m.nelvar.json");
    ProjectFile.at(path).save(GeneratedPanel.of(40, 7).withName("version -1"));
    while (abuse.more()) {
      var process =
          new ProcessBuilder(
                  Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                  "-XX:TieredStopAtLevel=1",
                  "-cp",
                  System.getProperty("java.class.path"),
                  Saver.class.getName(),
                  path.toString())
              .redirectErrorStream(true)
              .start();
      try (var says = process.inputReader()) {
        assertThat(says.readLine()).isEqualTo("saving");
        Thread.sleep(abuse.random().nextInt(150));
        process.destroyForcibly().waitFor();
      }
      var project = ProjectFile.at(path).open();
      assertThat(project.name()).startsWith("version ");
      assertThat(project.devices()).isEqualTo(GeneratedPanel.of(40, 7).devices());
      // And what the killed one left in the way does not stop the next.
      ProjectFile.at(path).replace(project);
    }
  }

  /// A disk with room for `room` bytes more.
  private static Disk full(long room) throws IOException {
    var left = new long[] {room};
    var disk = spy(Disk.REAL);
    doAnswer(
            call -> {
              Path file = call.getArgument(0);
              byte[] bytes = call.getArgument(1);
              if (bytes.length <= left[0]) {
                left[0] -= bytes.length;
                return call.callRealMethod();
              }
              Files.write(file, java.util.Arrays.copyOf(bytes, (int) left[0]));
              left[0] = 0;
              throw new FileSystemException(file.toString(), null, "No space left on device");
            })
        .when(disk)
        .writeAndSync(any(), any(), any());
    return disk;
  }

  @Test
  void aFullDiskLeavesTheFileAndThePackAsTheyWere() throws Exception {
    var abuse = Abuse.of("fill levels of a disk", 40);
    var first = NewProject.named("first");
    var second = GeneratedPanel.of(10, 3);
    var bytes = ProjectFormat.write(second).length;
    var before = Map.of("a.csv", "old a".getBytes(), "b.pdf", "old b".getBytes());
    var after = Map.of("a.csv", new byte[3000], "b.pdf", new byte[5000], "c.svg", new byte[10]);
    while (abuse.more()) {
      var random = abuse.random();
      var path = folder.resolve("m" + abuse.seed() + ".nelvar.json");
      ProjectFile.at(path).save(first);
      var room = random.nextInt(2 * bytes);
      try {
        new ProjectFile(path, CatalogueFile.standard(), full(room)).save(second);
        assertThat(ProjectFile.at(path).open()).isEqualTo(second);
      } catch (IOException refused) {
        assertThat(ProjectFile.at(path).open()).as("room " + room).isEqualTo(first);
      }
      var pack = folder.resolve("pack" + abuse.seed());
      OutputFiles.write(pack, before);
      try {
        OutputFiles.write(pack, after, full(random.nextInt(9000)));
      } catch (IOException refused) {
        for (var old : before.entrySet())
          assertThat(pack.resolve(old.getKey())).hasBinaryContent(old.getValue());
        assertThat(Files.list(pack)).as("nothing half beside them").hasSize(2);
      }
      var fresh = folder.resolve("fresh" + abuse.seed() + "/deep");
      try {
        OutputFiles.write(fresh, after, full(random.nextInt(3000)));
      } catch (IOException refused) {
        assertThat(fresh.getParent()).as("no empty pack is left").doesNotExist();
      }
    }
  }

  /// Two windows on one file, doing at random what windows do. The law: what one saved, the other
  /// has seen before it writes over it; and each finds its own journal, as it kept it.
  @Test
  void twoWindowsNeverWriteOverWhatTheyHaveNotSeen() throws Exception {
    var abuse = Abuse.of("turns of two windows", 20);
    while (abuse.more()) {
      var random = abuse.random();
      var path = folder.resolve("w" + abuse.seed() + ".nelvar.json");
      ProjectFile.at(path).save(NewProject.named("0"));
      var windows = new ArrayList<ProjectFile>();
      var journals = new ArrayList<Journal>();
      var seen = new HashMap<Integer, Project>();
      for (var w = 0; w < 2; w++) {
        windows.add(ProjectFile.at(path));
        journals.add(Journal.of(path));
        seen.put(w, windows.get(w).open());
      }
      for (var turn = 0; turn < 30; turn++) turn(random, turn, path, windows, journals, seen);
      for (var journal : journals) journal.close();
    }
  }

  private static void turn(
      Random random,
      int turn,
      Path path,
      List<ProjectFile> windows,
      List<Journal> journals,
      Map<Integer, Project> seen)
      throws Exception {
    var w = random.nextInt(2);
    var next = NewProject.named("turn " + turn + " of " + w);
    switch (random.nextInt(4)) {
      case 0 -> {
        var there = ProjectFile.at(path).open();
        try {
          windows.get(w).save(next);
          assertThat(there).as("it had seen what it replaced").isEqualTo(seen.get(w));
          seen.put(w, next);
        } catch (ProjectFile.ChangedElsewhere changed) {
          assertThat(there).isNotEqualTo(seen.get(w));
          assertThat(changed.theirs()).contains(there);
          assertThat(ProjectFile.at(path).open()).isEqualTo(there);
        }
      }
      case 1 -> seen.put(w, windows.get(w).open());
      case 2 -> journals.get(w).keep(next);
      default -> journals.get(w).forget();
    }
    assertThat(Journal.left(path, CatalogueFile.standard()))
        .as("nobody takes a living window's journal for lost")
        .isEmpty();
  }
}
