using System.Security.Claims;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Options;
using Umbick.Store;

namespace Umbick.Web.Security;

/// <summary>Adds the role and the school's name to what a signed-in teacher's cookie holds, so that no page has to ask for them.</summary>
public sealed class TeacherClaims(UserManager<Person> people, IOptions<IdentityOptions> options, Database database)
    : UserClaimsPrincipalFactory<Person>(people, options)
{
    internal const string SchoolName = "school_name";

    protected override async Task<ClaimsIdentity> GenerateClaimsAsync(Person user)
    {
        var identity = await base.GenerateClaimsAsync(user);
        var school = await database.InSchool(user.School, Schools.Current);
        identity.AddClaim(new Claim(SchoolName, school.Name));
        identity.AddClaim(new Claim(identity.RoleClaimType, Who.TeacherRole));
        return identity;
    }
}
