package codrane.app.stage.run;

import codrane.app.job.JobDesk;
import codrane.app.live.TraceStore;
import codrane.app.live.TraceStore.Piece;
import codrane.core.job.Job;
import codrane.core.job.JobRun;
import codrane.core.job.JobState;
import codrane.link.trace.PcapngWriter;
import codrane.link.trace.TraceDecoder;
import codrane.link.trace.TraceEvent;
import codrane.link.trace.TraceText;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** What was on the wire in a job's run: decoded with a filter, or as a file for a packet analyser. */
@Controller
class TraceController {
    private static final int LONGEST_FILTER = 60;

    private final JobDesk desk;
    private final TraceStore traces;

    TraceController(JobDesk desk, TraceStore traces) {
        this.desk = desk;
        this.traces = traces;
    }

    /** A piece of a run's trace, and the others there are. */
    private record Chosen(JobState state, List<Piece> pieces, Piece piece, List<TraceEvent> events) {}

    /** @param pieces of the run's wire, of which one is shown */
    public record TracePage(Job job, List<Piece> pieces, Piece piece, TraceView trace) {}

    @GetMapping("/jobs/{number}/trace")
    String trace(
            @PathVariable long number,
            @RequestParam Optional<Long> piece,
            @RequestParam(defaultValue = "") String module,
            @RequestParam(defaultValue = "") String text,
            @RequestParam(defaultValue = "false") boolean refused,
            @RequestParam(defaultValue = "false") boolean blocks,
            @RequestParam Optional<Integer> page,
            Model model) {
        Chosen chosen = choose(number, piece);
        TraceView.Filter filter = new TraceView.Filter(module, cut(text), refused, blocks);
        TraceView trace = TraceView.of(TraceDecoder.decode(chosen.state().pack(), chosen.events()), filter, page);
        model.addAttribute("view", new TracePage(chosen.state().job(), chosen.pieces(), chosen.piece(), trace));
        return "stage/run/trace";
    }

    private static String cut(String text) {
        return text.length() > LONGEST_FILTER ? text.substring(0, LONGEST_FILTER) : text;
    }

    @GetMapping("/jobs/{number}/trace.pcapng")
    ResponseEntity<byte[]> pcapng(@PathVariable long number, @RequestParam Optional<Long> piece) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (PcapngWriter writer = new PcapngWriter(out)) {
            writer.write(choose(number, piece).events());
        }
        return file(number, "pcapng", MediaType.APPLICATION_OCTET_STREAM, out.toByteArray());
    }

    @GetMapping("/jobs/{number}/trace.txt")
    ResponseEntity<byte[]> text(@PathVariable long number, @RequestParam Optional<Long> piece) {
        StringBuilder text = new StringBuilder();
        TraceText.write(choose(number, piece).events(), text);
        return file(
                number,
                "txt",
                MediaType.TEXT_PLAIN,
                text.toString().getBytes(java.nio.charset.StandardCharsets.US_ASCII));
    }

    private static ResponseEntity<byte[]> file(long number, String ending, MediaType type, byte[] content) {
        return ResponseEntity.ok()
                .contentType(type)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        "attachment; filename=\"trace-job-" + number + "." + ending + "\"")
                .body(content);
    }

    /** The wanted piece, or the newest. */
    private Chosen choose(long number, Optional<Long> wanted) {
        JobState state = desk.state(number);
        List<Piece> pieces = wanted.map(id -> traces.beside(id, state.job().id()))
                .filter(found -> !found.isEmpty()) // of an earlier run, perhaps
                .orElseGet(() -> state.run().map(JobRun::id).map(traces::of).orElse(List.of()));
        if (pieces.isEmpty()) throw none();
        Piece piece = pieces.stream()
                .filter(p -> wanted.filter(id -> id == p.id()).isPresent())
                .findFirst()
                .orElse(pieces.getLast());
        return new Chosen(state, pieces, piece, traces.events(piece).orElseThrow(TraceController::none));
    }

    private static ResponseStatusException none() {
        return new ResponseStatusException(
                HttpStatus.NOT_FOUND, "This job has no trace: it is kept when a run ends on this computer.");
    }
}
