package fernstep.app.security;

import fernstep.app.support.Words;
import fernstep.core.client.Licence;
import fernstep.core.measure.Reason;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.dao.CannotAcquireLockException;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.validation.BindingResult;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;

/** Sign-in, and the first account of an empty house. */
@Controller
class SignInController {
    private final StaffMapper staff;
    private final Passwords passwords;
    private final Words words;
    private final boolean demo;

    SignInController(StaffMapper staff, Passwords passwords, Words words, @Value("${fern.demo}") boolean demo) {
        this.staff = staff;
        this.passwords = passwords;
        this.words = words;
        this.demo = demo;
    }

    record FirstAccount(
            @NotBlank @Size(max = 120) String fullName,
            @NotBlank @Pattern(regexp = "[a-z0-9.-]{3,60}") String username,
            @NotBlank @Size(max = 200) String password,
            @NotNull Licence licence) {
        static final FirstAccount EMPTY = new FirstAccount("", "", "", Licence.THERAPIST);

        public boolean therapist() {
            return licence == Licence.THERAPIST;
        }

        public boolean coach() {
            return licence == Licence.COACH;
        }
    }

    @ModelAttribute("passwordLength")
    int passwordLength() {
        return passwords.length();
    }

    @GetMapping("/sign-in")
    String signIn(Model model) {
        if (staff.count() == 0) {
            return "redirect:/first-account";
        }
        model.addAttribute("demoAccounts", demo ? staff.all() : java.util.List.of());
        return "security/sign-in";
    }

    /** Touches the sign-in of somebody who reads one page for long. */
    @GetMapping("/still-here")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void stillHere() {}

    @GetMapping("/first-account")
    String firstAccount(Model model) {
        if (staff.count() > 0) {
            return "redirect:/sign-in";
        }
        model.addAttribute("form", FirstAccount.EMPTY);
        return "security/first-account";
    }

    @PostMapping("/first-account")
    String createFirst(@Valid @ModelAttribute("form") FirstAccount form, BindingResult errors, Model model) {
        if (staff.count() > 0) {
            return "redirect:/sign-in";
        }
        Reason problem = passwords.problem(form.password(), form.username());
        if (problem != null) {
            errors.rejectValue("password", "refused");
            model.addAttribute("passwordProblem", words.of(problem));
        }
        if (errors.hasErrors()) {
            return "security/first-account";
        }
        try {
            // two who ask at the same moment: one of them is first
            if (staff.insertFirst(Staff.fresh(
                            form.username(), form.fullName(), passwords.hash(form.password()), form.licence(), true))
                    == 0) {
                return "redirect:/sign-in";
            }
        } catch (DuplicateKeyException | CannotAcquireLockException again) {
            return "redirect:/sign-in";
        }
        return "redirect:/sign-in?created";
    }
}
