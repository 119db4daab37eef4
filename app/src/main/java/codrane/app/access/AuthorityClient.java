package codrane.app.access;

import codrane.app.access.AuthorityRequests.Account;
import codrane.app.access.AuthorityRequests.Done;
import codrane.app.access.AuthorityRequests.PlanOffer;
import codrane.app.workshop.CodraneSettings;
import codrane.app.workshop.HttpServices;
import codrane.core.access.WorkshopAccount;
import codrane.core.gateway.SignedGrant;
import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult;
import codrane.core.text.Words;
import java.time.Duration;
import java.time.InstantSource;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.web.client.HttpClientErrorException.NotFound;
import org.springframework.web.client.ResourceAccessException;
import org.springframework.web.client.RestClientException;
import org.springframework.web.client.RestClientResponseException;

/** Asks the makers' authorities, over HTTP. */
@Component
class AuthorityClient {
    private static final Duration PATIENCE = Duration.ofSeconds(5);

    private final AuthorityRequests requests;
    private final InstantSource time;

    AuthorityClient(CodraneSettings settings, InstantSource time) {
        requests = HttpServices.of(AuthorityRequests.class, settings.serviceUrl(), PATIENCE);
        this.time = time;
    }

    /** How an authority introduces itself. */
    record Counter(String title, List<PlanOffer> plans) {}

    /** What became of a request. */
    sealed interface Told {
        /** @param grant hex; empty when none was asked for */
        record Granted(String grant) implements Told {}

        /** @param sentence as the authority says it */
        record Refused(String sentence) implements Told {}
    }

    Counter counter(String authority) {
        AuthorityRequests.Counter said = asked(authority, () -> requests.counter(authority));
        return new Counter(said.title(), list(said.plans()));
    }

    /** @param title of the authority, for people */
    WorkshopAccount account(String authority, String title, String workshop) {
        try {
            return account(title, asked(authority, () -> requests.account(authority, workshop)));
        } catch (UnknownException e) {
            return WorkshopAccount.none(title, time.instant());
        }
    }

    private WorkshopAccount account(String title, Account said) {
        return new WorkshopAccount(
                title,
                true,
                said.mailConfirmed(),
                Optional.ofNullable(said.planTitle()).filter(t -> !t.isEmpty()),
                Optional.ofNullable(said.planUntil()),
                Optional.ofNullable(said.toolLimit()).orElse(0),
                Optional.ofNullable(said.checkedAt()),
                list(said.technicians()),
                Objects.requireNonNullElse(said.tools(), Map.of()),
                time.instant());
    }

    private static <T> List<T> list(@Nullable List<T> said) {
        return said == null ? List.of() : said;
    }

    Told register(String authority, Map<String, String> given) {
        return told(authority, () -> requests.register(authority, given));
    }

    /** @param counter of the workshop's: mail, plan, technicians, tools, tools-removed or grants */
    Told act(String authority, String workshop, String counter, Map<String, String> given) {
        return told(authority, () -> requests.act(authority, workshop, counter, given));
    }

    private static Told told(String authority, Supplier<Done> request) {
        try {
            return new Told.Granted(
                    Objects.requireNonNullElse(asked(authority, request).grant(), ""));
        } catch (UnknownException | RefusedException e) {
            return new Told.Refused(Words.said(e));
        }
    }

    /** The authority does not know what is asked about. */
    private static final class UnknownException extends AuthorityException {
        UnknownException(String sentence) {
            super(sentence);
        }
    }

    /** The authority says no. */
    private static final class RefusedException extends AuthorityException {
        RefusedException(String sentence) {
            super(sentence);
        }
    }

    private static <T> T asked(String authority, Supplier<T> request) {
        try {
            T answer = request.get();
            if (answer == null) throw unreadable(authority, null);
            return answer;
        } catch (NotFound e) {
            throw new UnknownException(sentence(authority, e));
        } catch (RestClientResponseException e) {
            throw new RefusedException(sentence(authority, e));
        } catch (ResourceAccessException e) {
            throw new AuthorityException(
                    "The authority " + authority
                            + " can't be reached. Check the network, then try again; reading goes on without it.",
                    e);
        } catch (RestClientException e) {
            throw unreadable(authority, e);
        }
    }

    private static String sentence(String authority, RestClientResponseException e) {
        try {
            AuthorityRequests.Refused refused = e.getResponseBodyAs(AuthorityRequests.Refused.class);
            if (refused != null && refused.message() != null) return refused.message();
        } catch (RestClientException unread) {
            throw unreadable(authority, unread);
        }
        throw unreadable(authority, e);
    }

    /** The grant of an answer. */
    static SignedGrant grant(String authority, Told.Granted told) {
        try {
            Bytes octets = Bytes.parse(told.grant());
            if (SignedGrant.decode(octets) instanceof DecodeResult.Decoded<SignedGrant>(SignedGrant grant))
                return grant;
        } catch (IllegalArgumentException e) {
            throw unreadable(authority, e);
        }
        throw unreadable(authority, null);
    }

    private static AuthorityException unreadable(String authority, @Nullable Exception cause) {
        return new AuthorityException("The authority " + authority + " answered what can't be read.", cause);
    }
}
