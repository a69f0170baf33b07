using System.Security.Claims;
using Microsoft.AspNetCore.Identity;

namespace Umbick.Hosting;

/// <summary>Who a request is from.</summary>
public static class Who
{
    /// <summary>The cookie of a child's sitting: it opens that sitting and nothing else.</summary>
    public const string ChildScheme = "umbick.child";

    /// <summary>The policy of the child's side.</summary>
    public const string ChildPolicy = "child";

    /// <summary>The policy of pages that show findings, records, or what is settled: for teachers.</summary>
    public const string Records = "records";

    /// <summary>The policy of pages by which sittings and visits are run: for teachers, and for whoever helps them.</summary>
    public const string Sittings = "sittings";

    /// <summary>The policy of pages by which a school is run: for teachers in charge.</summary>
    public const string InCharge = "in-charge";

    /// <summary>The policy of what concerns nobody but the signed-in person.</summary>
    public const string SignedIn = "signed-in";

    /// <summary>The roles that somebody of a school can have.</summary>
    public const string TeacherRole = "teacher", AssistantRole = "assistant", InChargeRole = "in-charge";

    /// <summary>The policy of pages by which records go in and out: for teachers who came by their password.</summary>
    public const string Files = "files";

    /// <summary>The claim of whoever came back to a device by six figures: People, files and erasing stay shut to them.</summary>
    public const string ByPin = "by_pin";

    private const string BackClaim = "way_back";
    private const string SittingClaim = "sitting";
    private const string SchoolClaim = "school";

    /// <summary>The school and the id of the signed-in person.</summary>
    /// <exception cref="InvalidOperationException">Nobody is signed in: the page lacks its policy.</exception>
    public static (SchoolId School, PersonId Id) Person(this ClaimsPrincipal user)
    {
        var parts = user.FindFirstValue(ClaimTypes.NameIdentifier)?.Split('.');
        return parts?.Length == 2 ? (SchoolId.Parse(parts[0]), PersonId.Parse(parts[1]))
            : throw new InvalidOperationException("Nobody is signed in.");
    }

    /// <summary>Whether somebody of a school is signed in.</summary>
    public static bool IsSignedIn(this ClaimsPrincipal user) =>
        user.Identities.Any(identity => identity.AuthenticationType == IdentityConstants.ApplicationScheme);

    /// <summary>Whether the signed-in person sees findings, records and settings.</summary>
    public static bool SeesRecords(this ClaimsPrincipal user) => user.IsInRole(TeacherRole);

    /// <summary>Whether the signed-in person sees to the school's people and records.</summary>
    public static bool IsInCharge(this ClaimsPrincipal user) => user.IsInRole(InChargeRole) && !user.CameByPin();

    /// <summary>Whether the signed-in person came back to this device by six figures, and not by a password.</summary>
    public static bool CameByPin(this ClaimsPrincipal user) => user.HasClaim(claim => claim.Type == ByPin);

    /// <summary>Whether a child's device was handed over by somebody who may come back to it by six figures.</summary>
    public static bool HasWayBack(this ClaimsPrincipal user) => user.HasClaim(claim => claim.Type == BackClaim);

    /// <summary>The page that the signed-in person comes to first.</summary>
    public static string Home(this ClaimsPrincipal user) => user.IsInRole(TeacherRole) ? "/day" : "/helping";

    /// <summary>The name by which colleagues know the signed-in person.</summary>
    public static string DisplayName(this ClaimsPrincipal user) => user.FindFirstValue(PersonClaims.DisplayName) ?? "";

    /// <summary>Whether the signed-in person works at another school too.</summary>
    public static bool IsAtSeveralSchools(this ClaimsPrincipal user) => user.HasClaim(claim => claim.Type == PersonClaims.SeveralSchools);

    /// <summary>The name of the school of the signed-in person.</summary>
    public static string SchoolName(this ClaimsPrincipal user) => user.FindFirstValue(PersonClaims.SchoolName) ?? "";

    /// <summary>The school and the one sitting that child mode is dropped to.</summary>
    public static (SchoolId School, SittingId Sitting) Child(this ClaimsPrincipal user) =>
        (SchoolId.Parse(user.FindFirstValue(SchoolClaim)!), SittingId.Parse(user.FindFirstValue(SittingClaim)!));

    /// <summary>Somebody who may do one sitting.</summary>
    public static ClaimsPrincipal ChildAt(SchoolId school, SittingId sitting, bool hasWayBack = false) => new(new ClaimsIdentity(
        [new Claim(SchoolClaim, school.ToString()), new Claim(SittingClaim, sitting.ToString()),
            .. hasWayBack ? [new Claim(BackClaim, "yes")] : Array.Empty<Claim>()], ChildScheme));
}
