package nelvar.core.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import nelvar.core.model.Project;
import nelvar.core.sample.NewProject;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ProjectFileTest {
  @TempDir Path folder;

  private final Project first = NewProject.named("first");
  private final Project second = NewProject.named("second");

  private ProjectFile file(Disk disk) {
    return new ProjectFile(folder.resolve("m.nelvar.json"), CatalogueFile.standard(), disk);
  }

  @Test
  void savingKeepsTheVersionBefore() throws Exception {
    var file = file(Disk.REAL);
    file.save(first);
    file.save(second);
    assertThat(file.open()).isEqualTo(second);
    assertThat(
            new ProjectFile(
                    folder.resolve("m.nelvar.json.previous"), CatalogueFile.standard(), Disk.REAL)
                .open())
        .isEqualTo(first);
  }

  /// A disk that dies at step `n`: the write before it may be half done, nothing after it happens.
  private static final class DyingDisk implements Disk {
    private final int dieAt;
    private final double written;
    private int step;

    DyingDisk(int dieAt, double written) {
      this.dieAt = dieAt;
      this.written = written;
    }

    private boolean dies() throws IOException {
      if (step > dieAt) throw new IOException("dead");
      return step++ == dieAt;
    }

    @Override
    public void writeAndSync(Path file, byte[] bytes) throws IOException {
      if (dies()) {
        Files.write(file, java.util.Arrays.copyOf(bytes, (int) (bytes.length * written)));
        throw new IOException("killed while writing");
      }
      REAL.writeAndSync(file, bytes);
    }

    @Override
    public void rename(Path from, Path to) throws IOException {
      if (dies()) throw new IOException("killed before renaming");
      REAL.rename(from, to);
    }

    @Override
    public void syncFolder(Path at) throws IOException {
      if (dies()) throw new IOException("killed before syncing");
      REAL.syncFolder(at);
    }
  }

  /// A save has five steps: write, write previous, rename previous, rename, sync. Killed at any of
  /// them, the file opens and holds the old or the new project whole.
  @ParameterizedTest
  @CsvSource({"0,0", "0,0.5", "0,1", "1,0", "1,0.5", "1,1", "2,0", "3,0", "4,0"})
  void killedAtAnyStepNothingIsLost(int step, double written) throws Exception {
    file(Disk.REAL).save(first);
    assertThatThrownBy(() -> file(new DyingDisk(step, written)).save(second))
        .isInstanceOf(IOException.class);
    assertThat(file(Disk.REAL).open()).isIn(first, second);
    file(Disk.REAL).save(second);
    assertThat(file(Disk.REAL).open()).isEqualTo(second);
  }

  @Test
  void aSaveHasNoMoreStepsThanAreTested() throws Exception {
    file(Disk.REAL).save(first);
    file(new DyingDisk(5, 0)).save(second);
    assertThat(file(Disk.REAL).open()).isEqualTo(second);
  }

  @Test
  void unsavedEditsComeBack() throws Exception {
    var file = file(Disk.REAL);
    file.save(first);
    assertThat(file.recover()).isEmpty();
    file.keepUnsaved(second);
    assertThat(file.open()).isEqualTo(first);
    assertThat(file.recover()).contains(second);
    file.forgetUnsaved();
    assertThat(file.recover()).isEmpty();
  }

  @Test
  void aHalfWrittenJournalIsNoJournal() throws Exception {
    var file = file(Disk.REAL);
    file.save(first);
    assertThatThrownBy(() -> file(new DyingDisk(0, 0.5)).keepUnsaved(second))
        .isInstanceOf(IOException.class);
    assertThat(file.recover()).isEmpty();
    Files.writeString(folder.resolve("m.nelvar.json.unsaved"), "{ half");
    assertThat(file.recover()).isEmpty();
  }

  @Test
  void whatCannotBeOpenedIsSaidAndLeftAlone() throws Exception {
    assertThatThrownBy(() -> file(Disk.REAL).open())
        .isInstanceOf(UnreadableFile.class)
        .hasMessageContaining("there is no such file");
    assertThatThrownBy(() -> new ProjectFile(folder, CatalogueFile.standard(), Disk.REAL).open())
        .isInstanceOf(UnreadableFile.class)
        .hasMessageContaining("this is a folder");
    var path = folder.resolve("m.nelvar.json");
    Files.writeString(path, "{\"format\": 1, \"name\": ");
    assertThatThrownBy(() -> file(Disk.REAL).open())
        .isInstanceOf(UnreadableFile.class)
        .hasMessageContaining("breaks off")
        .hasMessageContaining(".previous");
    assertThat(Files.readString(path)).isEqualTo("{\"format\": 1, \"name\": ");
  }

  /// 100 MB of nonsense are refused by their size, without being read.
  @Test
  void aHugeFileIsRefusedAtOnce() throws Exception {
    var path = folder.resolve("m.nelvar.json");
    try (var huge = new RandomAccessFile(path.toFile(), "rw")) {
      huge.setLength(100L << 20);
    }
    assertThatThrownBy(() -> file(Disk.REAL).open())
        .isInstanceOf(UnreadableFile.class)
        .hasMessageContaining("the file has 100 MB")
        .hasMessageContaining("at most 64 MB");
    assertThat(Files.size(path)).isEqualTo(100L << 20);
  }
}
