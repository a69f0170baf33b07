using System.Security.Claims;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Options;

namespace Umbick.Hosting;

/// <summary>
/// Adds roles and names to what the cookie of somebody signed in holds, so that no page has to ask for them. Who gets another role signs in
/// again.
/// </summary>
public sealed class PersonClaims(UserManager<Person> people, IOptions<IdentityOptions> options, Database database, PersonSchools schools)
    : UserClaimsPrincipalFactory<Person>(people, options)
{
    internal const string SchoolName = "school_name", DisplayName = "display_name", SeveralSchools = "several_schools";

    protected override async Task<ClaimsIdentity> GenerateClaimsAsync(Person user)
    {
        var identity = await base.GenerateClaimsAsync(user);
        var school = await database.InSchool(user.School, Schools.Current);
        identity.AddClaim(new Claim(SchoolName, school.Name));
        if ((await schools.Find(user.UserName)).Count > 1) identity.AddClaim(new Claim(SeveralSchools, "yes"));
        identity.AddClaim(new Claim(DisplayName, user.DisplayName));
        identity.AddClaim(new Claim(identity.RoleClaimType, user.Role == PersonRole.Teacher ? Who.TeacherRole : Who.AssistantRole));
        if (user.InCharge) identity.AddClaim(new Claim(identity.RoleClaimType, Who.InChargeRole));
        return identity;
    }
}
