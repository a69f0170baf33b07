using Umbick.Store;
using System.Security.Claims;
using Microsoft.AspNetCore.Identity;

namespace Umbick.Web.Security;

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

    /// <summary>The policy of what concerns nobody but whoever is signed in.</summary>
    public const string SignedIn = "signed-in";

    /// <summary>The roles that somebody of a school can have.</summary>
    public const string TeacherRole = "teacher", AssistantRole = "assistant";

    private const string SittingClaim = "sitting";
    private const string SchoolClaim = "school";

    /// <summary>The signed-in teacher's school and own id.</summary>
    /// <exception cref="InvalidOperationException">Nobody is signed in: the page lacks its policy.</exception>
    public static (Guid School, Guid Person) Teacher(this ClaimsPrincipal user)
    {
        var parts = user.FindFirstValue(ClaimTypes.NameIdentifier)?.Split('.');
        return parts?.Length == 2 ? (Guid.Parse(parts[0]), Guid.Parse(parts[1])) : throw new InvalidOperationException("No teacher is signed in.");
    }

    /// <summary>Whether a teacher is signed in.</summary>
    public static bool IsTeacher(this ClaimsPrincipal user) => user.Identities.Any(identity => identity.AuthenticationType == IdentityConstants.ApplicationScheme);

    /// <summary>The name of the signed-in teacher's school.</summary>
    public static string SchoolName(this ClaimsPrincipal user) => user.FindFirstValue(TeacherClaims.SchoolName) ?? "";

    /// <summary>The school and the one sitting that child mode is dropped to.</summary>
    public static (Guid School, SittingId Sitting) Child(this ClaimsPrincipal user) =>
        (Guid.Parse(user.FindFirstValue(SchoolClaim)!), SittingId.Parse(user.FindFirstValue(SittingClaim)!, null));

    /// <summary>Somebody who may do one sitting.</summary>
    public static ClaimsPrincipal ChildAt(Guid school, SittingId sitting) => new(new ClaimsIdentity(
        [new Claim(SchoolClaim, school.ToString()), new Claim(SittingClaim, sitting.ToString())], ChildScheme));
}
