package codrane.app.stage.record;

import codrane.app.account.Role;
import codrane.app.job.JobDesk;
import codrane.app.job.Viewer;
import codrane.core.job.JobState;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The report as a file, to be sent or kept. */
@Controller
class ReportController {
    private final JobDesk desk;
    private final RecordRoom room;
    private final ReportPaper paper;

    ReportController(JobDesk desk, RecordRoom room, ReportPaper paper) {
        this.desk = desk;
        this.room = room;
        this.paper = paper;
    }

    @GetMapping("/jobs/{number}/report.pdf")
    ResponseEntity<byte[]> report(@PathVariable long number, Authentication who) {
        JobState state = desk.state(number);
        RecordView view = room.view(state, new Viewer(who.getName(), Role.of(who), false));
        ContentDisposition file = ContentDisposition.attachment()
                .filename("codrane-job-" + number + ".pdf")
                .build();
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(HttpHeaders.CONTENT_DISPOSITION, file.toString())
                .body(paper.pdf(state, view));
    }
}
