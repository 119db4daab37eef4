package codrane.app.shelf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import codrane.app.TestWorld;
import codrane.core.calibration.CalibrationCheck;
import codrane.core.calibration.CalibrationFile;
import codrane.core.calibration.Manifest;
import codrane.core.calibration.ReadResult;
import codrane.core.pack.Pack;
import codrane.standin.service.AuthorityOffice;
import codrane.standin.service.MakerService;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A line that breaks in the middle of a file. */
class BrokenDownloadTest {
    private static final Pack LORNE = TestWorld.pack("brennick-lorne");
    private static final int FAST = 400_000_000;
    private static final int CUT = 600_000;

    @TempDir
    Path room;

    private final List<Long> told = new ArrayList<>();

    private MakerService service() throws IOException {
        AuthorityOffice office = new AuthorityOffice(Duration.ofSeconds(1), InstantSource.system());
        return new MakerService(List.of(LORNE), office, List::of, Duration.ofSeconds(1), 0, FAST);
    }

    private MakerServiceClient client(MakerService service) {
        return new MakerServiceClient(new PartialFile.Room(room), "http://127.0.0.1:" + service.port());
    }

    @Test
    void file_lineBreaksOnce_goesOnWhereItBroke() throws IOException {
        try (MakerService service = service()) {
            MakerServiceClient client = client(service);
            Manifest manifest = client.calibrations(LORNE, "tail-lift").getFirst();
            service.cutNextAfter(CUT, 1);
            ReadResult content = client.file(LORNE, manifest, told::add, CalibrationFile::read);
            assertThat(CalibrationCheck.damage(content, manifest)).isEmpty();
            assertThat(told).isSorted(); // never from the beginning again
            assertThat(told.getLast()).isEqualTo(manifest.size());
            assertThat(room).isEmptyDirectory();
        }
    }

    @Test
    void file_lineBreaksForGood_whatCameStays_andTheNextAttemptGoesOnThere() throws IOException {
        try (MakerService service = service()) {
            MakerServiceClient client = client(service);
            Manifest manifest = client.calibrations(LORNE, "tail-lift").getFirst();
            service.cutNextAfter(CUT, 3);
            assertThatThrownBy(() -> client.file(LORNE, manifest, told::add, CalibrationFile::read))
                    .hasMessageContaining("broke off at")
                    .hasMessageContaining("What came is kept");
            long kept = Files.size(room.resolve(manifest.sha256()));
            assertThat(kept).isGreaterThan(CUT).isLessThan(manifest.size());
            told.clear();
            ReadResult content = client.file(LORNE, manifest, told::add, CalibrationFile::read);
            assertThat(told.getFirst()).isGreaterThan(kept);
            assertThat(CalibrationCheck.damage(content, manifest)).isEmpty();
        }
    }

    /** It came whole, and was never taken: a service has nothing to add to it, and is not asked for that. */
    @Test
    void file_wasWholeAlready_isFetchedAnew() throws IOException {
        try (MakerService service = service()) {
            MakerServiceClient client = client(service);
            Manifest manifest = client.calibrations(LORNE, "tail-lift").getFirst();
            Files.write(room.resolve(manifest.sha256()), new byte[(int) manifest.size()]);
            assertThat(CalibrationCheck.damage(
                            client.file(LORNE, manifest, told::add, CalibrationFile::read), manifest))
                    .isEmpty();
        }
    }

    @Test
    void file_wantedByTwoAtOnce_comesWholeForBoth() throws Exception {
        try (MakerService service = service();
                ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor()) {
            MakerServiceClient client = client(service);
            Manifest manifest = client.calibrations(LORNE, "tail-lift").getFirst();
            Callable<ReadResult> fetch = () -> client.file(LORNE, manifest, done -> {}, CalibrationFile::read);
            for (Future<ReadResult> file : threads.invokeAll(List.of(fetch, fetch, fetch)))
                assertThat(CalibrationCheck.damage(file.get(), manifest)).isEmpty();
        }
    }

    /** Another file under the same hash, or one that was bent on the disk, is found by the check, and is not kept. */
    @Test
    void file_partOfSomethingElse_isFoundByTheCheck_andTheNextOneIsWhole() throws IOException {
        try (MakerService service = service()) {
            MakerServiceClient client = client(service);
            Manifest manifest = client.calibrations(LORNE, "tail-lift").getFirst();
            Files.write(room.resolve(manifest.sha256()), new byte[5000]);
            assertThat(CalibrationCheck.damage(
                            client.file(LORNE, manifest, told::add, CalibrationFile::read), manifest))
                    .isPresent();
            assertThat(CalibrationCheck.damage(
                            client.file(LORNE, manifest, told::add, CalibrationFile::read), manifest))
                    .isEmpty();
        }
    }
}
