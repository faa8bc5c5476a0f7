# frozen_string_literal: true

require "browser_helper"

# In a browser with an authenticator of its own; passkeys want a name, never a number, for an address.
RSpec.describe "A passkey", :browser do
  def at(path) = "http://localhost:#{page.server.port}#{path}"

  def command(name, **given) = page.driver.browser.page.command(name, **given)

  def sign_in
    visit(at("/sign-in"))
    fill_in("login", with: "tobias")
    fill_in("password", with: BrowserHelpers::PASSWORD)
    click_button("Sign in")
  end

  # Of their own: whoever adds a passkey is signed out everywhere else.
  before do
    tobias = Windlass::Records::Person.find_by(login: "tobias") || Windlass::Records::Person.create!(
      account_id: account.id, uuid: SecureRandom.uuid, name: "Tobias", login: "tobias", made_at: clock.now
    )
    tobias.roles.create!(kind: "coach", of_all: true, from_on: Date.new(2020, 1, 1))
    Windlass::Actions::SetPassword.call(tobias, BrowserHelpers::PASSWORD)
  end

  it "is set up, asked for after the password, and worth nothing against another's challenge" do
    command("WebAuthn.enable")
    authenticator =
      command(
        "WebAuthn.addVirtualAuthenticator",
        options: {
          protocol: "ctap2", transport: "internal", hasResidentKey: true, hasUserVerification: true,
          isUserVerified: true, automaticPresenceSimulation: true
        }
      ).fetch("authenticatorId")
    sign_in
    expect(page).to have_css("h1", text: "Today")
    visit(at("/webauthn-setup"))
    fill_in("password", with: BrowserHelpers::PASSWORD)
    click_button("Add a passkey")
    expect(page).to have_css("h1", text: "My sign-in")
    expect(command("WebAuthn.getCredentials", authenticatorId: authenticator)["credentials"].size).to eq 1

    # Alone: nothing is typed.
    page.driver.clear_cookies
    visit(at("/sign-in"))
    expect(page).to have_css("h1", text: "Today")

    # After the password: whoever has a passkey has to show it.
    page.driver.clear_cookies
    presence = ->(enabled) do
      command("WebAuthn.setAutomaticPresenceSimulation", authenticatorId: authenticator, enabled: enabled)
    end
    presence[false]
    sign_in
    expect(page).to have_no_field("password", wait: 5)
    visit(at("/athletes"))
    expect(page).to have_no_css("h1", text: "Athletes")
    presence[true]
    visit(at("/webauthn-auth"))
    # A challenge that was not made for this page: its answer opens nothing.
    page.execute_script("document.querySelector('[name=webauthn_auth_challenge]').value = 'AAAA'")
    click_button("Use the passkey")
    expect(page).to have_text("The passkey did not answer for this page.")
    visit(at("/athletes"))
    expect(page).to have_no_css("h1", text: "Athletes")
    visit(at("/webauthn-auth"))
    click_button("Use the passkey")
    visit(at("/athletes"))
    expect(page).to have_css("h1", text: "Athletes")
  ensure
    Windlass::SignIn.database[:person_webauthn_keys].delete
    Windlass::SignIn.database[:person_recovery_codes].delete
  end
end
