# frozen_string_literal: true

module Windlass
  module Records
    # One run of a dose: planned, then on the deck, then done or stopped. A day's sets are judged together.
    class Session < Record
      self.table_name = "sessions"
      reads :symptoms
      belongs_to :athlete
      belongs_to :prescription
      belongs_to :timeline, class_name: "Windlass::Records::KeptTimeline"
      has_many :rounds, -> { order(:number) }
      belongs_to :squad, class_name: "Windlass::Records::Squad", optional: true
      belongs_to :twin_of, class_name: "Windlass::Records::Session", optional: true
      has_many :journal_events
      has_many :photos, -> { order(:id) }
      has_one :move, -> { kept }

      # Without what is read in just now.
      scope :seen, -> { where(Unseen::NOT_THESE) }
      OVER = %w[done stopped].freeze
      scope :run, -> { seen.where(state: OVER) }
      # Without false starts that were discarded.
      scope :kept, -> { run.where(discarded_at: nil) }
      # Days on which no verdict has been decided.
      scope :undecided,
        -> do
          decided =
            Move
              .kept
              .where("moves.prescription_id = sessions.prescription_id")
              .where("moves.local_date = sessions.local_date")
          where.not(decided.arel.exists)
        end
      # What two devices ran, and nobody said yet which of them it was. Worded as its index is.
      scope :with_unsettled_twins, -> { where("twin_of_id IS NOT NULL AND NOT twin_settled") }
      # Run by the athlete, as whom they are signed in, or with a phone of their own.
      ALONE = <<~SQL.squish.freeze
        EXISTS (SELECT 1 FROM people JOIN roles ON roles.person_id = people.id
          WHERE people.uuid = sessions.run_by AND roles.kind = 'athlete' AND roles.athlete_id = sessions.athlete_id)
      SQL
      scope :alone, -> { where("sessions.run_by <> ''").where(ALONE) }
      scope :in_order, -> { order(:started_at, :id) }

      # What is kept of a forecast, hold by hold. Seconds, nil where not reached.
      def self.forecast_columns(forecast)
        forecast.holds.map { |hold| hold.to_h.slice(:urge_s, :floor_s, :margin_s, :margin, :sao2_min) }
      end

      # Of this athlete, who is not read a second time where they are known.
      def prescription
        super&.tap do |one|
          mine, its = association(:athlete), one.association(:athlete)
          its.target = mine.target if mine.loaded? && !its.loaded?
        end
      end

      # @return [String] what the key of its run is of: the set that lay on a phone, where it came of one
      def keyed = laid_set_uuid.empty? ? uuid : laid_set_uuid

      # @return [Hash, nil] of the hold with that number
      def forecast_of(number) = forecast && forecast[number - 1]

      # @return [Boolean]
      def alone? =
        ActiveModel::Type::Boolean.new.cast(has_attribute?(:alone) ? self[:alone] : self.class.alone.exists?(id: id))

      def over? = OVER.include?(state)

      def to_protocol = Protocols.bound(protocol) { to_dose }

      def to_dose = Record.dose(dose)

      # @return [Physiology::Body] of the athlete, in the posture of the session
      def to_body = athlete.to_body(on: local_date, posture: posture.to_sym)

      # @param events [Array<Timeline::Event>] where they are known
      # @return [Timeline::Compiled] as it was really run; the plan where nothing was held
      def to_run(events = journal_events.map(&:to_core)) = Timeline::AsRun.of(to_paced(events), events)

      # @return [Timeline::Compiled] the plan, with the beat that was set on the deck
      def to_paced(events = journal_events.map(&:to_core)) = Timeline::PacedByHeart.of(to_timeline, events)

      # @return [Physiology::Forecast, nil] of the whole plan, with its trace
      def forecast_of_plan = Forecasts.of(athlete, to_timeline, on: local_date, posture: posture.to_sym)

      # @return [Hash{Integer => Numeric}] milliseconds of a beat, by the number of a sounded exhale that is counted in
      #   beats
      def beat_ms
        parts
          .each
          .with_index(1)
          .select { |part, _| part.is_a?(Timeline::Compiled::Sounded) && part.beats }
          .to_h { |sound, number| [number, sound.ms / sound.beats.to_r] }
      end

      # @return [Array<Hash>] of the plan
      def segments = timeline.segments

      # @param list [Array<Hash>] as the core's segments are written
      def segments=(list)
        self.timeline = Records::KeptTimeline.of(list)
      end

      # @return [Timeline::Compiled] as it was planned
      def to_timeline = timeline.compiled(before: to_protocol.worked_up(to_dose))

      # @return [Array<Timeline::Compiled::Placed, Timeline::Compiled::Sounded>] what is judged of the plan: the first
      #   has number 1
      def parts = to_protocol.judged_parts(to_timeline)

      # @return [Progression::Session] this set alone
      def to_core
        Progression::Session.new(
          id: id,
          date: local_date,
          protocol: protocol,
          dose: to_dose,
          effort: effort,
          symptoms: symptoms.map(&:to_sym),
          light: light,
          rounds: rounds.map(&:to_core),
          seconds_done: done_ms && done_ms / 1000.0,
          ended_at: ended_at&.getlocal,
          washout: washout,
          ribs: ribs&.to_sym,
          refused: !caution.empty?,
          rounds_planned: rounds_planned
        )
      end

      # @return [Integer] judged parts that this set was to have
      def rounds_planned
        protocol = to_protocol
        protocol.rounds(to_dose) / protocol.sets(to_dose)
      end

      # @return [Array<Integer>] numbers of the rounds after which a first breath is asked for
      def asked_breaths
        case to_protocol.first_breath
        when :never
          []
        when :end
          rounds.map(&:number).last(1)
        when :hold
          rounds.map(&:number)
        else
          to_protocol.asked_after(to_dose).to_a
        end
      end

      # @return [Array<Integer>] rounds that were held, whose first breath says something, and nobody has rated
      def unrated
        asked = asked_breaths
        rounds.select { |one| asked.include?(one.number) && one.held_ms && one.first_breath.nil? }.map(&:number)
      end

      COLUMNS = %i[id local_date protocol dose effort symptoms light done_ms washout ended_at ribs].push(
        Arel.sql("prescriptions.run_once"),
        :caution
      ).freeze

      # What was judged once stays as it is, mostly: kept under the mark that the database changes with anything that a
      # judge reads of it.
      JUDGED = BoundedCache.new(4_000)

      # The past of an athlete, read without making a record of each of its many rounds.
      # @return [Hash{Array(Integer, Integer) => Progression::Session}] each set alone, by number and mark, in order
      def self.core_sets(athlete_id, days) = marked(kept.where(athlete_id: athlete_id, local_date: days).in_order)

      # @param ids [Array<Integer>]
      # @return [Array<Integer>] those that are no sets
      def self.false_starts(ids) = ids.empty? ? [] : cores(kept.where(id: ids)).select(&:false_start?).map(&:id)

      # Days on which something was done; false starts are none.
      # @return [Array<Array(Integer, Date)>] prescription and day, each once
      def self.days_done(athlete_ids, days)
        sets = kept.where(athlete_id: athlete_ids, local_date: days).where("done_ms > 0")
        # Only what holds once at most can be a false start: the others are not read whole.
        short =
          sets.where(
            "(SELECT count(*) FROM rounds WHERE rounds.session_id = sessions.id AND rounds.held_ms > 0) <= 1"
          ).ids
        sets
          .where.not(id: false_starts(short))
          .distinct
          .pluck(:prescription_id, :local_date)
          .map { |id, date| [id, date.to_date] }
      end

      # @return [Integer] training days, a protocol each, on which a first breath was a gasp
      def self.days_with_gasps(athlete_id, days)
        kept
          .where(athlete_id: athlete_id, local_date: days)
          .where("EXISTS (SELECT 1 FROM rounds WHERE rounds.session_id = sessions.id AND rounds.first_breath = 'gasp')")
          .distinct
          .pluck(:prescription_id, :local_date)
          .size
      end

      # @param of [Hash] whose: `prescription_id:` or `athlete_id:`
      # @return [Hash{Integer => Integer}] sets that were done on that day, by prescription; false starts are none
      def self.sets_done(on:, **of)
        sets = kept.where(local_date: on, **of)
        prescriptions = sets.pluck(:id, :prescription_id).to_h
        cores(sets).reject(&:false_start?).map { |set| prescriptions.fetch(set.id) }.tally
      end

      # @param sets [ActiveRecord::Relation]
      # @return [Array<Progression::Session>] each alone, in the order of the relation
      def self.cores(sets) = marked(sets).values

      # @return [Hash{Array(Integer, Integer) => Progression::Session}] the same, by number and mark
      def self.marked(sets)
        marks = sets.pluck(:id, :judged_mark)
        marks.zip(JUDGED.fetch_all(marks) { |missing| missing.zip(read(missing.map(&:first))).to_h }).to_h
      end

      # @param ids [Array<Integer>]
      # @return [Array<Progression::Session>] in their order
      def self.read(ids)
        rounds = Round.core_by_session(ids)
        planned =
          Hash.new do |known, (protocol, dose)|
            known[[protocol, dose]] = Protocols
              .find(protocol)
              .bound(dose)
              .then { |family| family.rounds(dose) / family.sets(dose) }
          end
        where(id: ids)
          .joins(:prescription)
          .pluck(*COLUMNS)
          .to_h do |id, date, protocol, dose, effort, symptoms, light, done_ms, washout, ended_at, ribs, once, caution|
            given = dose(dose)
            [
              id,
              Progression::Session.new(
                id: id,
                date: date,
                protocol: protocol,
                dose: given,
                effort: effort,
                washout: washout,
                ended_at: ended_at&.getlocal,
                symptoms: symptoms.map(&:to_sym),
                light: light,
                rounds: rounds.fetch(id, []),
                seconds_done: done_ms && done_ms / 1000.0,
                ribs: ribs&.to_sym,
                once: once == true || once == 1,
                refused: !caution.empty?,
                rounds_planned: planned[[protocol, given]]
              )
            ]
          end
          .values_at(*ids)
      end

      HELD =
        "EXISTS (SELECT 1 FROM rounds WHERE rounds.session_id = sessions.id AND rounds.held_ms > 0 AND NOT " \
        "rounds.skipped)"
      UNCALM =
        "EXISTS (SELECT 1 FROM rounds WHERE rounds.session_id = sessions.id AND rounds.held_ms > 0 AND NOT " \
        "rounds.skipped AND COALESCE(rounds.first_breath, '') <> 'smooth')"
      CALM = "#{HELD} AND NOT #{UNCALM}"
      # What the dose says beside: of blocks what they were; of what washes out, how many breaths did; of loaded holds,
      # how long they were.
      DOSE_MATTERS =
        "NOT #{HELD} OR sessions.protocol LIKE 'blocks%' OR sessions.protocol IN " \
        "(#{Protocols::ALL.select(&:with_workouts).map { |one| "'#{one.id}'" }.join(", ")}) OR sessions.washout >= " \
        "#{Physiology::OVER_BREATHED_MMHG}"
      OUTLINE = [
        :athlete_id,
        :id,
        :local_date,
        :protocol,
        :ended_at,
        :washout,
        Arel.sql("CASE WHEN #{DOSE_MATTERS} THEN sessions.dose END"),
        Arel.sql(HELD),
        Arel.sql(CALM),
        :done_ms,
        :discarded_at
      ].freeze

      # The days of recent sessions, and the newest of each protocol however old.
      # @return [Array<Array(Integer, Progression::Outline)>] athlete and session
      def self.outlines(athlete_ids, since:)
        begun = run.where(athlete_id: athlete_ids)
        old =
          newest_days(athlete_ids).filter_map do |athlete_id, protocol, day|
            if day < since
              [athlete_id, Progression::Outline.new(id: "newest #{protocol}", date: day, protocol: protocol)]
            end
          end
        outlined(begun.where(local_date: since..)) + old
      end

      # @return [Array<Date>] days on which over-breathing was practised
      def self.over_breathed_days(athlete_id, since:)
        calm = Protocols::ALL.reject(&:over_breathing?).map(&:id)
        perhaps =
          run.where(athlete_id: athlete_id, local_date: since..).where(
            "washout >= ? OR protocol NOT IN (?)",
            Physiology::OVER_BREATHED_MMHG,
            calm
          )
        outlined(perhaps).map(&:last).select(&:over_breathed).map(&:date)
      end

      # In one order: a database gives rows in another as soon as one of them was written.
      def self.outlined(sessions) =
        sessions.order(:id).pluck(*OUTLINE).map { |athlete_id, *row| [athlete_id, outline(*row)] }

      # One look into the index for each prescription there ever was, in place of a walk through all sessions.
      def self.newest_days(athlete_ids)
        newest =
          kept
            .where(
              "sessions.athlete_id = prescriptions.athlete_id AND sessions.protocol = prescriptions.protocol AND " \
              "done_ms > 0"
            )
            .order(local_date: :desc)
            .limit(1)
            .select(:local_date)
        Prescription
          .where(athlete_id: athlete_ids)
          .distinct
          .pluck(:athlete_id, :protocol, Arel.sql("(#{newest.to_sql})"))
          .filter_map { |athlete_id, protocol, date| [athlete_id, protocol, date.to_date] if date }
      end

      # It counts where it held something, or ran where minutes are judged, and was not discarded. Walls go by its
      # having run.
      def self.outline(id, date, protocol, ended_at, washout, dose, held, calm, done_ms, discarded_at)
        known = dose && dose(dose.is_a?(String) ? JSON.parse(dose) : dose)
        done =
          [1, true].include?(held) ||
          (done_ms.to_i > 0 && Protocols.find(protocol).bound(known).judged_by_minutes?(known))
        Progression::Outline.new(
          id: id,
          date: date,
          protocol: protocol,
          dose: known,
          ended_at: ended_at&.getlocal,
          washout: washout,
          counts: done && discarded_at.nil?,
          ran: done_ms.to_i > 0,
          calm: [1, true].include?(calm)
        )
      end
      private_class_method :cores, :read, :newest_days, :outlined, :outline

      # @return [Array<Session>] the sets of this day and dose, this one among them; its rounds are read once for both
      def sets_of_the_day
        self
          .class
          .kept
          .where(prescription_id: prescription_id, local_date: local_date)
          .includes(:rounds)
          .in_order
          .select { |set| set.dose == dose }
          .each { |set| association(:rounds).target = set.rounds.to_a if set.id == id && !rounds.loaded? }
      end
    end
  end
end
