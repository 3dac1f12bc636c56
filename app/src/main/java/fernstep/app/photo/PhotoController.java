package fernstep.app.photo;

import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import fernstep.app.client.Clients;
import fernstep.app.security.SignedIn;
import fernstep.app.support.Audit;
import fernstep.app.support.NotFound;
import fernstep.app.support.Today;
import fernstep.app.support.Words;
import fernstep.app.support.Work;
import fernstep.core.measure.Reason;
import java.io.IOException;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Consent, upload and view of photos. */
@Controller
@Work(Work.Kind.NONE)
class PhotoController {
    private final PhotoMapper photos;
    private final Clients clients;
    private final Visits visits;
    private final Audit audit;
    private final Today today;

    private final Words words;

    PhotoController(PhotoMapper photos, Clients clients, Visits visits, Audit audit, Today today, Words words) {
        this.words = words;
        this.photos = photos;
        this.clients = clients;
        this.visits = visits;
        this.audit = audit;
        this.today = today;
    }

    /** Records her consent, or takes it back and removes every photo. */
    @PostMapping("/clients/{id}/photo-consent")
    @Transactional
    public String consent(
            @PathVariable long id,
            @RequestParam boolean given,
            @RequestParam(required = false) Long visitId,
            @AuthenticationPrincipal SignedIn me) {
        clients.file(id);
        ofTheTeam(id, me);
        photos.setConsent(id, given ? today.date() : null);
        if (!given) {
            photos.removeAll(id);
        }
        audit.record(me.staffId(), id, given ? "PHOTO_CONSENT" : "PHOTO_CONSENT_WITHDRAWN", "");
        return visitId == null ? "redirect:/clients/" + id : "redirect:/visits/" + visitId + "/check/side-view";
    }

    @Work(Work.Kind.PRESCRIBES)
    @PostMapping("/visits/{id}/photos")
    String upload(
            @PathVariable long id,
            @RequestParam String formId,
            @RequestParam MultipartFile picture,
            @AuthenticationPrincipal SignedIn me,
            RedirectAttributes redirect)
            throws IOException {
        Visit visit = visits.unlocked(id);
        long client = visit.client().id();
        ofTheTeam(client, me);
        if (photos.consent(client).isEmpty()) {
            redirect.addFlashAttribute("photoProblem", words.text("told.herConsentIsNotOn"));
        } else {
            try {
                CleanPicture clean = CleanPicture.of(picture.getBytes());
                photos.insert(formId, client, id, me.staffId(), clean.widthPx(), clean.heightPx(), clean.jpeg());
            } catch (CleanPicture.Refused e) {
                redirect.addFlashAttribute("photoProblem", words.of(e.why()));
            }
        }
        return "redirect:/visits/" + id + "/check/side-view";
    }

    /** Pictures, and her consent to them, are her team's affair. */
    private void ofTheTeam(long clientId, SignedIn me) {
        if (!photos.inTeam(clientId, me.staffId())) {
            throw new AccessDeniedException("not of her team");
        }
    }

    @ExceptionHandler(MaxUploadSizeExceededException.class)
    ResponseEntity<String> tooLarge() {
        return ResponseEntity.status(413)
                .body(words.of(Reason.of("photo.tooLargeGoBack", CleanPicture.LARGEST_BYTES >> 20)));
    }

    /** Only for her own team: for anybody else it does not exist. */
    @GetMapping("/photos/{id}")
    ResponseEntity<byte[]> view(@PathVariable long id, @AuthenticationPrincipal SignedIn me) {
        PhotoRow photo = photos.byId(id).orElseThrow(() -> new NotFound("no photo " + id));
        if (!photos.inTeam(photo.clientId(), me.staffId())) {
            throw new NotFound("no photo " + id);
        }
        PhotoFile file = photos.file(id).orElseThrow(() -> new NotFound("no photo " + id));
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .cacheControl(CacheControl.noStore())
                .body(file.jpeg());
    }
}
