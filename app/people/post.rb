# frozen_string_literal: true

require "fileutils"
require "mail"

module Windlass
  # Letters that the house sends: a reset, an unlocking, an invitation. Through SMTP where that is configured, and
  # always into an outbox, a folder of files that only its owner reads.
  module Post
    FOLDER = File.join(Database::ROOT, "tmp/outbox")
    FROM = "windlass@localhost"
    # A post office that does not answer keeps nobody waiting longer. Seconds.
    PATIENCE_S = 5

    # @param to [String] a sign-in name: an address, or none
    # @param link [String]
    def self.reset(to, link)
      send(to, "A new password", "Open this to choose a new password. It is good for two hours:\n\n#{link}\n")
    end

    def self.unlock(to, link)
      send(to, "Too many tries", "Somebody tried to sign in as you too often. Open this to try again:\n\n#{link}\n")
    end

    # @param lines [Array<String>] what is planned, and when
    # @param files [Hash{String => String}] name and bytes
    def self.week(to, name, week, lines, files)
      planned = lines.empty? ? "Nothing is planned for you in #{week}." : lines.join("\n")
      send(to, "Your #{week}", "#{name},\n\n#{planned}\n\nThe same as a calendar and on paper comes with it.\n", files)
    end

    # @return [Array<Hash>] what was sent, oldest first
    def self.outbox =
      Dir[File.join(FOLDER, "*.eml")].sort.map do |file|
        mail = Mail.read(file)
        {
          to: mail.to&.first || mail.header["X-To"].to_s,
          subject: mail.subject,
          text: (mail.text_part || mail).decoded,
          files: mail.attachments.map(&:filename),
          at: File.mtime(file)
        }
      end

    def self.send(to, subject, text, files = {})
      mail =
        Mail.new(from: ENV.fetch("WINDLASS_MAIL_FROM", FROM), to: to, subject: subject, body: text, charset: "UTF-8")
      files.each { |name, bytes| mail.add_file(filename: name, content: bytes) }
      keep(mail)
      deliver(mail) if smtp? && to.include?("@")
    end

    def self.smtp? = !ENV.fetch("WINDLASS_SMTP_HOST", "").empty?

    # Whoever reads the file is the owner of the house.
    def self.keep(mail)
      FileUtils.mkdir_p(FOLDER, mode: 0o700)
      name = "#{Time.now.strftime("%Y%m%d-%H%M%S-%6N")}-#{SecureRandom.hex(3)}.eml"
      File.write(File.join(FOLDER, name), mail.to_s, perm: 0o600)
    end

    def self.deliver(mail)
      mail.delivery_method(
        :smtp,
        address: ENV.fetch("WINDLASS_SMTP_HOST"),
        port: Integer(ENV.fetch("WINDLASS_SMTP_PORT", "587"), 10),
        user_name: ENV["WINDLASS_SMTP_USER"],
        password: ENV["WINDLASS_SMTP_PASSWORD"],
        enable_starttls: true,
        open_timeout: PATIENCE_S,
        read_timeout: PATIENCE_S
      )
      mail.deliver!
    rescue Net::ProtocolError, Net::OpenTimeout, Net::ReadTimeout, SystemCallError, SocketError => error
      raise Error, "The letter could not be sent: the post answered #{error.class.name.split("::").last}. It lies in " \
        "the outbox."
    end
    private_class_method :send, :keep, :deliver
  end
end
