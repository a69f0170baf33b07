using Microsoft.AspNetCore.Identity;
using Umbick.Casework.Accounts;

namespace Umbick.Hosting;

/// <summary>The accounts library's door to the rule for passwords.</summary>
public sealed class PasswordFaults : IPasswordValidator<Person>
{
    public Task<IdentityResult> ValidateAsync(UserManager<Person> manager, Person user, string? password) => Task.FromResult(
        PasswordRule.Fault(password ?? "") is { } fault
            ? IdentityResult.Failed(new IdentityError { Code = "Password", Description = fault }) : IdentityResult.Success);
}
