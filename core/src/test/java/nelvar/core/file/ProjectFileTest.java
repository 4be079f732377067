package nelvar.core.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doReturn;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.spy;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Duration;
import java.util.Optional;
import nelvar.core.model.Project;
import nelvar.core.sample.NewProject;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

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
    public void writeAndSync(Path file, byte[] bytes, Optional<Path> like) throws IOException {
      if (dies()) {
        Files.write(file, java.util.Arrays.copyOf(bytes, (int) (bytes.length * written)));
        throw new IOException("killed while writing");
      }
      REAL.writeAndSync(file, bytes, like);
    }

    @Override
    public byte[] read(Path file) throws IOException {
      return REAL.read(file);
    }

    @Override
    public void delete(Path file) throws IOException {
      REAL.delete(file);
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

  /// What a full disk, a dying one or one that lies does to a save: told, and the file as it was.
  @ParameterizedTest
  @ValueSource(strings = {"No space left on device", "Input/output error"})
  void aDiskThatFailsLeavesTheFileAsItWas(String reason) throws Exception {
    file(Disk.REAL).save(first);
    var before = Files.readAllBytes(folder.resolve("m.nelvar.json"));
    var disk = spy(Disk.REAL);
    doThrow(new FileSystemException("m.nelvar.json.part", null, reason))
        .when(disk)
        .writeAndSync(any(), any(), any());
    assertThatThrownBy(() -> file(disk).save(second)).isInstanceOf(IOException.class);
    assertThat(Files.readAllBytes(folder.resolve("m.nelvar.json"))).isEqualTo(before);
  }

  @Test
  void aDiskThatGivesBackSomethingElseIsFoundOutBeforeTheOldFileGoes() throws Exception {
    file(Disk.REAL).save(first);
    var disk = spy(Disk.REAL);
    doReturn(new byte[] {1, 2, 3}).when(disk).read(folder.resolve("m.nelvar.json.part"));
    assertThatThrownBy(() -> file(disk).save(second)).hasMessageContaining("gives back");
    assertThat(file(Disk.REAL).open()).isEqualTo(first);
  }

  /// 0600 stays 0600, for the file, the version before it and the journal.
  @Test
  void permissionsStayAsTheyWere() throws Exception {
    var path = folder.resolve("m.nelvar.json");
    file(Disk.REAL).save(first);
    var own = PosixFilePermissions.fromString("rw-------");
    Files.setPosixFilePermissions(path, own);
    file(Disk.REAL).save(second);
    Journal.of(path).keep(first);
    for (var name : new String[] {"", ".previous", ".unsaved-1"})
      assertThat(Files.getPosixFilePermissions(folder.resolve("m.nelvar.json" + name)))
          .as(name)
          .isEqualTo(own);
  }

  @Test
  void aLinkIsFollowedAndStaysALink() throws Exception {
    Files.createDirectory(folder.resolve("real"));
    var real = folder.resolve("real/machine.nelvar.json");
    var link = Files.createSymbolicLink(folder.resolve("link.nelvar.json"), real);
    var file = new ProjectFile(link, CatalogueFile.standard(), Disk.REAL);
    file.save(first);
    file.save(second);
    assertThat(Files.isSymbolicLink(link)).isTrue();
    assertThat(ProjectFile.at(real).open()).isEqualTo(second);
    assertThat(folder.resolve("real/machine.nelvar.json.previous")).exists();
  }

  @Test
  void aPlantedLinkIsNotWrittenThrough() throws Exception {
    var victim = Files.writeString(folder.resolve("victim"), "precious");
    Files.createSymbolicLink(folder.resolve("m.nelvar.json.part"), victim);
    assertThatThrownBy(() -> file(Disk.REAL).save(first))
        .hasMessageContaining("m.nelvar.json.part is in the way");
    assertThat(Files.readString(victim)).isEqualTo("precious");
  }

  @Test
  void pipesAndDevicesAreAnsweredAtOnce() throws Exception {
    var pipe = folder.resolve("pipe.nelvar.json");
    new ProcessBuilder("mkfifo", pipe.toString()).start().waitFor();
    for (var path : new Path[] {pipe, Path.of("/dev/zero")})
      assertTimeoutPreemptively(
          Duration.ofSeconds(5),
          () -> {
            assertThatThrownBy(() -> ProjectFile.at(path).open())
                .isInstanceOf(UnreadableFile.class)
                .hasMessageContaining("a device or a pipe");
            assertThatThrownBy(() -> ProjectFile.at(path).save(first))
                .hasMessageContaining("a device or a pipe");
          });
    Files.createSymbolicLink(folder.resolve("away"), folder.resolve("nowhere"));
    assertThatThrownBy(() -> ProjectFile.at(folder.resolve("away")).open())
        .hasMessageContaining("a link that leads nowhere");
  }

  /// Somebody else saves between our opening and our saving: nothing is written over, whatever the
  /// times of the file say.
  @Test
  void aFileChangedElsewhereIsNotWrittenOver() throws Exception {
    file(Disk.REAL).save(first);
    var mine = file(Disk.REAL);
    mine.open();
    var time = Files.getLastModifiedTime(mine.path());
    file(Disk.REAL).replace(second);
    Files.setLastModifiedTime(mine.path(), time);
    assertThat(mine.changedElsewhere()).contains(second);
    assertThatThrownBy(() -> mine.save(first.withName("mine")))
        .isInstanceOfSatisfying(
            ProjectFile.ChangedElsewhere.class,
            changed -> assertThat(changed.theirs()).contains(second));
    assertThat(file(Disk.REAL).open()).isEqualTo(second);
    mine.seen();
    mine.save(first.withName("mine"));
    assertThat(file(Disk.REAL).open().name()).isEqualTo("mine");
    assertThat(mine.changedElsewhere()).isEmpty();
    assertThat(mine.aside().getFileName()).hasToString("m.mine.nelvar.json");
  }

  @Test
  void twoProgramsDoNotSaveAtOnce() throws Exception {
    try (var _ = Claim.on(folder.resolve("m.nelvar.json.lock")).orElseThrow()) {
      assertThatThrownBy(() -> file(Disk.REAL).save(first)).hasMessageContaining("just now");
    }
    file(Disk.REAL).save(first);
    assertThat(folder.resolve("m.nelvar.json.lock")).doesNotExist();
  }

  /// A project no reader would take is not written, not even as a new file.
  @Test
  void whatCouldNotBeOpenedAgainIsNotSaved() {
    var broken = first.withFixed(java.util.List.of(new nelvar.core.model.Id("nobody")));
    assertThatThrownBy(() -> file(Disk.REAL).save(broken)).hasMessageContaining("'nobody'");
    assertThat(folder.resolve("m.nelvar.json")).doesNotExist();
  }
}
