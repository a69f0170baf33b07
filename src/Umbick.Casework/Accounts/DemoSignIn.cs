namespace Umbick.Casework.Accounts;

/// <summary>The accounts of the demonstration: they exist there alone.</summary>
public static class DemoSignIn
{
    /// <summary>The demonstration teacher's user name.</summary>
    public const string UserName = "wren@gullpoint.example";

    /// <summary>The user name of the demonstration's assistant, who has the same password.</summary>
    public const string AssistantUserName = "moss@gullpoint.example";

    /// <summary>The demonstration teacher's password. It opens nothing but demonstration data.</summary>
    public const string Password = "lamp on the harbour wall";
}
